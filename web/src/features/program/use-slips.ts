import type { ProgramSession, ProgramView } from '@iron-clasp/contract';
import { useEffect, useRef, useState } from 'react';
import { useMoveDay, useRemoveSession, useRestoreSession } from '../../data/training/programs.ts';
import { shortDay } from '../../ui/figures.ts';
import { useToast } from '../../ui/toast.tsx';

export interface Slips {
  readonly sessions: readonly ProgramSession[];
  /** The day on which a session is shown. */
  readonly onOf: (session: ProgramSession) => string;
  readonly moveTo: (session: ProgramSession, on: string) => void;
  readonly takeOff: (session: ProgramSession) => void;
  /** Why the last of it was refused. */
  readonly fault: ReturnType<typeof useMoveDay>['error'];
}

/** The sessions as they stand, and what is done to them from outside their editor, each with a way back. */
export function useSlips(lifterId: string, view: ProgramView): Slips {
  const remove = useRemoveSession(lifterId);
  const restore = useRestoreSession(lifterId);
  const { onOf, versionOf, moveTo, error } = useMoves(lifterId, view);
  const say = useToast();
  const takeOff = (session: ProgramSession): void =>
    remove.mutate(
      { id: session.id, version: versionOf(session) },
      {
        onSuccess: () =>
          say(`${session.title}, ${shortDay(session.on)}, is off the program.`, () =>
            restore.mutate(session.id),
          ),
      },
    );
  const fault = remove.error ?? restore.error ?? error;
  return { sessions: view.sessions, onOf, moveTo, takeOff, fault };
}

interface Moved {
  readonly on: string;
  /** Of the answer to this move; null as long as it is on its way. */
  readonly version: number | null;
}

/** Moves from day to day: shown where a session was put before the server has said so. */
function useMoves(
  lifterId: string,
  view: ProgramView,
): Pick<Slips, 'onOf' | 'moveTo'> & {
  versionOf: (session: ProgramSession) => number;
  error: Slips['fault'];
} {
  const move = useMoveDay(lifterId);
  const say = useToast();
  const [moved, setMoved] = useState<Readonly<Record<string, Moved>>>({});
  const latest = useRef(view.sessions);
  useEffect(() => {
    latest.current = view.sessions;
  });
  // The version that the last move of a session leaves, once it is answered.
  const versions = useRef(new Map<string, Promise<number>>());
  const onOf = ({ id, version, on }: ProgramSession): string => {
    const here = moved[id];
    // While a move is on its way an answer to the one before it may be read: that is not where the session was put.
    return here && (here.version === null || version <= here.version) ? here.on : on;
  };
  const moveTo = (session: ProgramSession, on: string, isUndo = false): void => {
    const { id, title } = session;
    const from = onOf(session);
    setMoved((all) => ({ ...all, [id]: { on, version: null } }));
    // Moved again before the answer, or before it was read anew: the next move goes by what the one before left.
    const known = versions.current.get(id) ?? Promise.resolve(0);
    const answered = known.then(async (before) => {
      const read = latest.current.find((each) => each.id === id)?.version ?? session.version;
      const { session: now } = await move.mutateAsync({ id, version: Math.max(before, read), heldOn: on });
      if (isLast()) setMoved((all) => ({ ...all, [id]: { on, version: now.version } }));
      say(`${title} is on ${shortDay(on)} now.`, isUndo ? undefined : () => moveTo(session, from, true));
      return now.version;
    });
    const version = answered.catch(() => {
      if (isLast()) setMoved(({ [id]: _refused, ...others }) => others);
      return 0;
    });
    versions.current.set(id, version);
    // A session that was moved on in the meantime stays where it was moved to.
    const isLast = (): boolean => versions.current.get(id) === version;
  };
  const versionOf = ({ id, version }: ProgramSession): number => Math.max(version, moved[id]?.version ?? 0);
  return { onOf, moveTo, versionOf, error: move.error };
}
