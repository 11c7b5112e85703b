import { HOLD_CHANGE_NAMES, HOLD_ENDING_NAMES, HOLD_KINDS_BY_ID } from '@iron-clasp/core';
import type { CalledSet, FloorView } from '@iron-clasp/contract';
import clsx from 'clsx';
import type { ReactElement } from 'react';
import { Link, useParams } from 'react-router';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { useReopen } from '../../data/training/floor.ts';
import { Button } from '../../ui/button.tsx';
import { formatMass, seconds } from '../../ui/figures.ts';
import { Failed } from '../../ui/states.tsx';
import type { DoneEntry, DoneHold, Lane } from './lane.ts';
import { endOf } from './lane-foot.tsx';

/** A session that is over: it takes nothing more until it is opened again on purpose. */
export function SessionOver({ sessionId }: { sessionId: string }): ReactElement {
  const coach = useIsCoach();
  const reopen = useReopen(sessionId);
  const { sessionIds = sessionId } = useParams();
  return (
    <section className="grid min-h-0 grow content-center justify-items-center gap-4 overflow-y-auto p-6 text-center">
      <h2 className="text-4xl">This session is over</h2>
      <Link
        to={endOf(sessionId, sessionIds)}
        className="inline-flex min-h-16 items-center rounded-sm bg-forge px-8 text-2xl font-semibold text-on-forge"
      >
        How it went
      </Link>
      {coach && (
        <Button className="min-h-13 px-6" disabled={reopen.isPending} onClick={() => reopen.mutate()}>
          Reopen
        </Button>
      )}
      {reopen.error && <Failed error={reopen.error} />}
    </section>
  );
}

/** Nothing is lifted: why, and what can be done now. Only being unwell is taken back here; hands are looked at again. */
export function Stopped({
  text,
  end,
  unwell,
  onWell,
}: {
  text: string;
  end: string;
  unwell: boolean;
  onWell: () => void;
}): ReactElement {
  return (
    <section
      role="alert"
      className="grid min-h-0 grow content-center justify-items-center gap-4 overflow-y-auto p-6 text-center"
    >
      <h2 className="text-5xl text-oxblood">Stop</h2>
      <p className="max-w-xl text-xl">{text}</p>
      <Link
        to={end}
        className="inline-flex min-h-16 items-center rounded-sm bg-forge px-8 text-2xl font-semibold text-on-forge"
      >
        End the session
      </Link>
      {unwell ? (
        <Button className="min-h-13 px-6" onClick={onWell}>
          Tapped by mistake, or well again
        </Button>
      ) : (
        <p className="text-quiet">If the hands are better, check them again on the sheet.</p>
      )}
    </section>
  );
}

/** A slip of which nobody has said yet what was seen. */
export function asksWhatWasSeen({ slippedAtRep, signs, cause }: DoneEntry): boolean {
  return slippedAtRep !== null && signs.length === 0 && cause === null;
}

/** What was logged last, a set or just now a hold, and the way to its details. */
export function Last({
  sets,
  hold,
  crowded,
  onDetails,
  onSaid,
}: {
  crowded: boolean;
  sets: Lane['sets'];
  /** The hold that was just done. */
  hold: DoneHold | undefined;
  onSaid: (hold: DoneHold) => void;
  onDetails: (set: CalledSet, entry: DoneEntry) => void;
}): ReactElement | null {
  const unit = useUnit();
  const look = clsx(
    'flex min-h-11 items-center justify-end gap-2 text-right leading-tight text-quiet hover:text-ink flat:shrink-0',
    crowded && 'short:hidden',
  );
  const last = sets.filter(({ done }) => done).at(-1);
  if (hold)
    return (
      <button type="button" aria-live="polite" className={look} onClick={() => onSaid(hold)}>
        <span>
          last{' '}
          <b className="figures text-lg text-ink">
            {formatMass(hold.load, unit)} × {seconds(hold.seconds)}
          </b>
        </span>
        <span className="underline underline-offset-4">How was it?</span>
      </button>
    );
  if (!last?.done) return null;
  const { set, done } = last;
  return (
    <button type="button" aria-live="polite" className={look} onClick={() => onDetails(set, done)}>
      <span>
        last{' '}
        <b className="figures text-lg text-ink">
          {formatMass(done.load, unit)} × {done.seconds === null ? done.reps : seconds(done.seconds)}
        </b>
        {done.slippedAtRep !== null &&
          (done.seconds === null ? `, slipped at ${done.slippedAtRep}` : ', slipped')}
        {done.waiting && <span className="text-ochre">, waiting</span>}
      </span>
      <span className="underline underline-offset-4">
        {asksWhatWasSeen(done) ? 'What was seen?' : 'Add details'}
      </span>
    </button>
  );
}

/** Holds done, those that wait too, and what comes next time. */
export function Done({ holds, view }: { holds: readonly DoneHold[]; view: FloorView }): ReactElement | null {
  const unit = useUnit();
  if (holds.length === 0) return null;
  const kinds = new Set(holds.map((each) => each.kind));
  const next = view.calls.holds.flatMap((each) =>
    each.next && !each.next.barred && kinds.has(each.kind) ? [each.next] : [],
  );
  return (
    <div aria-live="polite">
      <ol aria-label="Holds done" className="figures flex flex-wrap justify-center gap-x-6 text-lg">
        {holds.map((each) => (
          <li key={each.id} className={each.waiting ? 'text-ochre' : ''}>
            {kinds.size > 1 && `${HOLD_KINDS_BY_ID[each.kind].name} `}
            {formatMass(each.load, unit)}: {each.seconds.toFixed(1)} s of {each.target},{' '}
            {HOLD_ENDING_NAMES[each.ended]}
            {each.waiting && ', waiting for the server'}
          </li>
        ))}
      </ol>
      {next.map((each) => (
        <p key={each.kind} className="text-verdigris">
          Next time {kinds.size > 1 && `${HOLD_KINDS_BY_ID[each.kind].name.toLowerCase()} `}
          <b className="figures text-xl">{formatMass(each.load, unit)}</b>, {HOLD_CHANGE_NAMES[each.change]}.{' '}
          {each.why[0]?.text}
        </p>
      ))}
    </div>
  );
}
