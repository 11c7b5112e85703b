import {
  easeHold,
  readSqueeze,
  type HandsToday,
  type SqueezeReading,
  type SqueezeTest,
} from '@iron-clasp/core';
import type { FloorView, SessionHoldView } from '@iron-clasp/contract';
import type { Waiting } from '../../offline/outbox.ts';

/** The hands as the floor knows them now: checked on this device and on their way, else as the server has them. */
export function handsNow(view: FloorView, waiting: readonly Waiting[]): HandsToday {
  const { session } = view.calls;
  const told = waiting
    .filter((entry) => entry.kind === 'hands' && entry.lifterId === session.lifterId)
    .at(-1);
  return told?.kind === 'hands' ? told.body.hands : view.hands;
}

/** A squeeze test that opened the session, with what it says. */
export interface OpeningTest {
  readonly id: string;
  readonly reading: SqueezeReading;
  /** True while it waits on this device for the server. */
  readonly waiting: boolean;
}

/** The day's squeeze test, read on this device where the server does not have it yet; null where there was none. */
export function testNow(view: FloorView, waiting: readonly Waiting[]): OpeningTest | null {
  const { session } = view.calls;
  const { earlier, today } = view.squeeze;
  const sent = waiting.filter((entry) => entry.kind === 'squeeze' && entry.sessionId === session.id).at(-1);
  if (sent?.kind === 'squeeze') {
    const test: SqueezeTest = {
      on: session.on,
      protocol: sent.body.protocol,
      trials: sent.body.trials.map(({ hand, force }) => ({ hand, force: force! })),
    };
    return { id: sent.id, reading: readSqueeze({ today: test, earlier }), waiting: true };
  }
  return today
    ? { id: easingOf(view)?.testId ?? '', reading: readSqueeze({ today, earlier }), waiting: false }
    : null;
}

/** Has the coach kept the holds as they were, here or before? */
export function declinedNow(view: FloorView, waiting: readonly Waiting[]): boolean {
  const said = waiting
    .filter((entry) => entry.kind === 'easing' && entry.sessionId === view.calls.session.id)
    .at(-1);
  return said?.kind === 'easing' ? said.body.declined : (easingOf(view)?.declined ?? false);
}

/** What the day's test proposes for the holds; it is the same test for all of them. */
function easingOf(view: FloorView): SessionHoldView['easing'] {
  return view.calls.holds.find((each) => each.easing)?.easing ?? null;
}

/** The holds as they stand now: made easier here where the server has not yet heard of the test or of the coach's word. */
export function holdsNow(view: FloorView, waiting: readonly Waiting[]): readonly SessionHoldView[] {
  const test = testNow(view, waiting);
  const declined = declinedNow(view, waiting);
  const now = view.calls.holds.map((each): SessionHoldView => {
    const { hold, easing } = each;
    if (!hold || hold.barred) return each;
    const eased = easing !== null && !easing.declined;
    if (test?.reading.easierHolds && !declined && !eased)
      return {
        ...each,
        hold: easeHold(hold, test.reading.easierHolds, { collars: 0, ...view.equipment }),
      };
    // Declined here while the server still has it easier.
    return declined && eased ? { ...each, hold: { ...hold, ...easing.full } } : each;
  });
  return now.every((each, i) => each === view.calls.holds[i]) ? view.calls.holds : now;
}
