import type { SetCall } from '@iron-clasp/core';
import type { ToSend } from '../../offline/outbox.ts';
import { decide, type Action, type Earlier, type LaneMemory, type Proposal } from './lane.ts';

/** What a tap on the floor does to what the device remembers of the lane. */
export type Act =
  /** `stays`: the key of the hold that the lane stays at, whatever sets were jumped over. `rest` in s, from `now`, ms. */
  | {
      readonly kind: 'log';
      readonly what: 'set' | 'hold';
      readonly id: string;
      readonly rest: number;
      readonly now: number;
      readonly stays: string | null;
      /** Logged by one tap with others: one undo takes all of them back. */
      readonly group?: string;
    }
  | { readonly kind: 'correct'; readonly id: string; readonly of: string; readonly earlier: Earlier }
  | { readonly kind: 'skip'; readonly at: string }
  | { readonly kind: 'go'; readonly at: string }
  | { readonly kind: 'decide'; readonly proposals: readonly Proposal[]; readonly take: boolean }
  /** The calls a lane opened with are what it stands at until the coach agrees to others. */
  | { readonly kind: 'stand'; readonly agreed: Readonly<Record<string, SetCall>> };

/** Acts that can be undone, the latest last: a long session has a hundred. */
const REMEMBERED = 200;

/** The lane's memory after an act. */
export function laneAfter(memory: LaneMemory, act: Act): LaneMemory {
  switch (act.kind) {
    case 'log':
      return {
        ...memory,
        at: act.stays,
        actions: [
          ...memory.actions,
          { kind: act.what, id: act.id, ...(act.group && { group: act.group }) } as const,
        ].slice(-REMEMBERED),
        rest: { until: act.now + act.rest * 1000, of: act.rest },
      };
    case 'correct':
      // The rest goes on: nothing was lifted.
      return {
        ...memory,
        actions: [
          ...memory.actions.filter((each) => !('id' in each && each.id === act.of)),
          { kind: act.earlier.kind, id: act.id, earlier: act.earlier } as const,
        ].slice(-REMEMBERED),
      };
    case 'skip':
      return {
        ...memory,
        at: null,
        skipped: [...memory.skipped, act.at],
        actions: [...memory.actions, { kind: 'skip', at: act.at }],
      };
    case 'go':
      return { ...memory, at: act.at, skipped: memory.skipped.filter((each) => each !== act.at) };
    case 'decide':
      return decide(memory, act.proposals, act.take);
    case 'stand':
      return { ...memory, agreed: { ...act.agreed, ...memory.agreed } };
  }
}

/** What has to be sent for an undo: the entries that go, the latest first, and the one that comes back in its place. */
export interface Undone {
  readonly memory: LaneMemory;
  readonly gone?: readonly { readonly kind: 'set' | 'hold'; readonly id: string }[];
  readonly back?: Earlier & { readonly id: string };
}

type Logged = Extract<Action, { readonly id: string }>;

/** Undoes the last act: a corrected entry becomes what it was, under an id of its own. */
export function undo(memory: LaneMemory, newId: () => string): Undone {
  const last = memory.actions.at(-1);
  if (!last) return { memory };
  const actions = memory.actions.slice(0, -1);
  if (last.kind === 'skip')
    return { memory: { ...memory, actions, skipped: memory.skipped.filter((each) => each !== last.at) } };
  if (last.kind === 'decide') return { memory: { ...memory, actions, ...last.before } };
  const { kind, id, earlier, group } = last;
  if (!earlier) {
    const goes = (each: Action): each is Logged =>
      each === last || (group !== undefined && 'group' in each && each.group === group);
    return {
      memory: { ...memory, actions: memory.actions.filter((each) => !goes(each)), rest: null, at: null },
      gone: memory.actions
        .filter(goes)
        .map((each) => ({ kind: each.kind, id: each.id }))
        .reverse(),
    };
  }
  const back = { ...earlier, id: newId() };
  return {
    memory: { ...memory, actions: [...actions, { kind, id: back.id }] },
    gone: [{ kind, id }],
    back,
  };
}

/** The outbox entries of an undo, in the order in which they have to be sent. */
export function entriesOf(
  { gone = [], back }: Undone,
  common: { readonly sessionId: string; readonly accountId: string },
): ToSend[] {
  return [
    ...gone.map((each) => ({ ...common, ...each, body: null })),
    ...(back ? [{ ...common, ...back } as ToSend] : []),
  ];
}
