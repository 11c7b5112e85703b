import {
  SOUND_HAND,
  type HandsToday,
  type HoldPrescription,
  type SqueezeProtocol,
  type SqueezeTest,
} from '@iron-clasp/core';
import type { FloorView, SessionHoldView } from '@iron-clasp/contract';
import { asRequest, type ToSend, type Waiting } from '../../offline/outbox.ts';
import { declinedNow, handsNow, holdsNow, testNow } from './opening.ts';

const SOUND: HandsToday = { left: SOUND_HAND, right: SOUND_HAND };
const TORN: HandsToday = { left: { ...SOUND_HAND, palm: 'torn' }, right: SOUND_HAND };
const PROTOCOL: SqueezeProtocol = {
  handle: 2,
  elbow: 90,
  posture: 'seated',
  handOrder: 'alternating',
  trials: 3,
  rest: 60,
};
const trials = (right: number): SqueezeTest['trials'] =>
  [0, 0.4, -0.4].flatMap((off) => [
    { hand: 'left' as const, force: 40 + off },
    { hand: 'right' as const, force: right - off },
  ]);
/** Four steady tests, then a right hand that has dropped. */
const EARLIER: SqueezeTest[] = [
  ['2026-09-15', 41],
  ['2026-09-29', 41.3],
  ['2026-10-13', 40.8],
  ['2026-10-27', 41.1],
  ['2026-11-10', 35],
].map(([on, right]) => ({ on: on as string, protocol: PROTOCOL, trials: trials(right as number) }));

const HOLD = {
  kind: 'frontRackHold',
  load: 120,
  seconds: 10,
  sets: 2,
  probability: 0.7,
  change: 'add',
  why: [],
  loading: { total: 120, perSide: [] },
} as unknown as HoldPrescription;

const view = (more: Partial<SessionHoldView> = {}, today: SqueezeTest | null = null): FloorView =>
  ({
    calls: {
      session: { id: 's', lifterId: 'l', on: '2026-11-24' },
      holds: [{ kind: 'frontRackHold', hold: HOLD, easing: null, ...more }],
    },
    hands: SOUND,
    squeeze: { protocolId: null, protocol: PROTOCOL, earlier: EARLIER, today },
    equipment: {
      bar: 20,
      plates: [
        { mass: 25, unit: 'kg', pairs: 2 },
        { mass: 10, unit: 'kg', pairs: 2 },
        { mass: 1.25, unit: 'kg', pairs: 4 },
      ],
    },
  }) as unknown as FloorView;
const common = { sessionId: 's', lifterId: 'l', accountId: 'x' };
const squeezed = (right: number): Waiting =>
  asRequest({
    ...common,
    id: 't',
    kind: 'squeeze',
    body: {
      protocol: PROTOCOL,
      trials: trials(right).map(({ hand, force }) => ({ hand, force })),
      source: 'hand',
      testedAt: '2026-11-24T17:00:00Z',
    },
  } as ToSend);
const word = (declined: boolean): Waiting =>
  asRequest({
    ...common,
    id: 'w',
    kind: 'easing',
    testId: 't',
    body: { declined },
  } as ToSend);

const holdNow = (floor: FloorView, waiting: readonly Waiting[]): HoldPrescription | null =>
  holdsNow(floor, waiting)[0]!.hold;

it('hands told on this device stand before the server hears of them', () => {
  const told = asRequest({
    ...common,
    id: 'h',
    kind: 'hands',
    body: { hands: TORN, checkedAt: '' },
  } as ToSend);
  expect(handsNow(view(), [])).toBe(SOUND);
  expect(handsNow(view(), [told])).toBe(TORN);
  expect(handsNow(view(), [{ ...told, lifterId: 'another' } as Waiting])).toBe(SOUND);
});

describe('a squeeze test that opens the session', () => {
  it('is read here without a network, against the lifter’s own earlier ones', () => {
    expect(testNow(view(), [])).toBeNull();
    const { reading, waiting } = testNow(view(), [squeezed(34.8)])!;
    expect(waiting).toBe(true);
    expect(reading.hands.right).toMatchObject({ verdict: 'down', sustainedDrop: true });
    expect(testNow(view(), [squeezed(41)])!.reading.easierHolds).toBeUndefined();
  });

  it('makes the hold lighter here, by what the plates make, until the coach declines', () => {
    const eased = holdNow(view(), [squeezed(34.8)])!;
    expect(eased.load).toBeLessThanOrEqual(108);
    expect(eased.load).toBeGreaterThan(90);
    expect(eased.why[0]!.ruleId).toBe('squeeze.sustained-drop');
    expect(holdNow(view(), [squeezed(34.8), word(true)])).toBe(HOLD);
    expect(holdNow(view(), [squeezed(34.8), word(true), word(false)])!.load).toBe(eased.load);
    expect(holdNow(view(), [squeezed(41)])).toBe(HOLD);
  });

  it('is not eased twice where the server has done so, and comes back whole when that is declined here', () => {
    const full = { load: 120, loading: HOLD.loading, change: HOLD.change, why: [] };
    const easing = { testId: 't', share: 0.9, text: 'Down.', declined: false, full };
    const today = { on: '2026-11-24', protocol: PROTOCOL, trials: trials(34.8) };
    const served = view({ hold: { ...HOLD, load: 107.5 }, easing }, today);
    expect(holdNow(served, [])!.load).toBe(107.5);
    expect(testNow(served, [])).toMatchObject({ id: 't', waiting: false });
    expect(holdNow(served, [word(true)])).toMatchObject({ load: 120, change: 'add' });
    expect(declinedNow(served, [])).toBe(false);
    expect(declinedNow(served, [word(true)])).toBe(true);
  });

  it('leaves a barred hold barred', () => {
    const barred = { ...HOLD, barred: { ruleId: 'x', rank: 'safety' as const, text: 'Numb.' } };
    expect(holdNow(view({ hold: barred }), [squeezed(34.8)])).toBe(barred);
  });
});
