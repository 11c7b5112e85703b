import type {
  EasingRequest,
  ExtraSetRequest,
  GripperAttemptRequest,
  HandsCheckRequest,
  LoggedSetView,
  LogHoldRequest,
  LogSetRequest,
  SqueezeTestRequest,
} from '@iron-clasp/contract';
import { Queue, type Queued } from './queue.ts';

interface Entry extends Queued {
  readonly sessionId: string;
  /** What another device logged for the same set. */
  readonly other?: LoggedSetView;
}

/** A set as it was done; null where the one of this id is taken back, sent already or not. */
export type WaitingSet = Entry & { readonly kind: 'set'; readonly body: LogSetRequest | null };
/** A hold, likewise. */
export type WaitingHoldOrNot = Entry & { readonly kind: 'hold'; readonly body: LogHoldRequest | null };
export type WaitingHands = Entry & {
  readonly kind: 'hands';
  readonly lifterId: string;
  readonly body: HandsCheckRequest;
};

/** A squeeze test that opens the session. */
export type WaitingSqueeze = Entry & {
  readonly kind: 'squeeze';
  readonly lifterId: string;
  readonly body: SqueezeTestRequest;
};
/** The coach's word on the easier holds that a test proposes. */
export type WaitingEasing = Entry & {
  readonly kind: 'easing';
  readonly lifterId: string;
  readonly testId: string;
  readonly body: EasingRequest;
};

/** A set that the day adds to the session. */
export type WaitingExtra = Entry & { readonly kind: 'extra'; readonly body: ExtraSetRequest };

/** A set on a gripper; null where it is taken back. */
export type WaitingGripper = Entry & {
  readonly kind: 'gripper';
  readonly lifterId: string;
  readonly body: GripperAttemptRequest | null;
};

/** What the server has not acknowledged yet. */
export type Waiting =
  | WaitingExtra
  | WaitingSet
  | WaitingHoldOrNot
  | WaitingHands
  | WaitingSqueeze
  | WaitingEasing
  | WaitingGripper;

/** What a screen says of an entry: how and where it is sent follows from that. */
type Said<Each> = Each extends Waiting ? Omit<Each, 'method' | 'path' | 'scope'> : never;
export type ToSend = Said<Waiting>;

/** An entry with the request that it is. */
export function asRequest(entry: ToSend): Waiting {
  return { ...entry, scope: entry.sessionId, ...requestOf(entry) } as Waiting;
}

function requestOf(entry: ToSend): Pick<Queued, 'method' | 'path'> {
  const { id, sessionId } = entry;
  switch (entry.kind) {
    case 'hands':
      return { method: 'PUT', path: `/lifters/${entry.lifterId}/hands-checks/${id}` };
    case 'squeeze':
      return { method: 'PUT', path: `/lifters/${entry.lifterId}/squeeze-tests/${id}` };
    case 'easing':
      return { method: 'PUT', path: `/squeeze-tests/${entry.testId}/easing` };
    case 'gripper':
      return entry.body
        ? { method: 'PUT', path: `/lifters/${entry.lifterId}/gripper-attempts/${id}` }
        : { method: 'DELETE', path: `/gripper-attempts/${id}` };
    case 'extra':
      return { method: 'PUT', path: `/sessions/${sessionId}/extra-sets/${id}` };
    case 'set':
    case 'hold':
      return entry.body
        ? { method: 'PUT', path: `/sessions/${sessionId}/${entry.kind}s/${id}` }
        : { method: 'DELETE', path: `/${entry.kind}s/${id}` };
  }
}

/** What is logged and told on this device, on its way to the server. */
export class Outbox extends Queue<Waiting> {
  say(entry: ToSend): void {
    this.add(asRequest(entry));
  }

  refuse(id: string, why: string, other?: LoggedSetView): void {
    this.amend(id, { refused: why, ...(other && { other }) });
  }

  /** Lets ours stand against what another device logged: theirs is taken back first. */
  insist(id: string): void {
    const entry = this.all().find((each) => each.id === id);
    if (!entry?.other) return;
    const { refused: _refused, other, ...ours } = entry;
    const { sessionId, accountId } = entry;
    const theirs = asRequest({ id: other.id, kind: 'set', sessionId, accountId, body: null });
    this.addAll([theirs, ours as Waiting]);
  }

  /** Takes over what a version of the page left that kept its entries as one text. */
  async inherit(store: Pick<Storage, 'getItem' | 'removeItem'>): Promise<void> {
    const left = readLeft(store);
    const known = new Set(this.all().map(({ id }) => id));
    this.addAll(left.filter(({ id }) => !known.has(id)));
    await this.settled();
    // Where the device has no room for them anew, they stay where they are.
    if (!this.unsaved()) store.removeItem(LEFT_KEY);
  }
}

/** Where entries waited before they had a database. */
export const LEFT_KEY = 'iron-clasp.outbox';

function readLeft(store: Pick<Storage, 'getItem'>): Waiting[] {
  try {
    const left: unknown = JSON.parse(store.getItem(LEFT_KEY) ?? '[]');
    // Entries of the oldest version were holds, every one.
    return Array.isArray(left)
      ? left.map((each) => asRequest({ kind: 'hold', ...(each as object) } as ToSend))
      : [];
  } catch {
    return [];
  }
}
