import { readSqueeze } from './read-squeeze.ts';
import { sameProtocol, squeezeAsymmetry } from './squeeze-scores.ts';
import type { SqueezeProtocol, SqueezeTest } from './types.ts';

const PROTOCOL: SqueezeProtocol = {
  handle: 2,
  elbow: 90,
  posture: 'seated',
  handOrder: 'leftFirst',
  trials: 3,
  rest: 60,
};

/** Three trials a hand around the given forces, scattered a little differently from day to day. */
function test(on: string, left: number, right: number, protocol = PROTOCOL): SqueezeTest {
  const scatter = 0.5 + (Number(on.slice(-2)) % 3) * 0.4;
  return {
    on,
    protocol,
    trials: [0, 1, -1].flatMap((off) => [
      { hand: 'left' as const, force: left + off * scatter },
      { hand: 'right' as const, force: right - off * scatter },
    ]),
  };
}
const PAST = ['2026-09-01', '2026-09-15', '2026-10-01', '2026-10-15', '2026-11-01'].map((on, i) =>
  test(on, 48 + (i % 2), 52 - (i % 2) * 0.5),
);

describe('readSqueeze', () => {
  it('calls a change smaller than the error of measurement no change', () => {
    const reading = readSqueeze({ today: test('2026-11-15', 48.6, 52), earlier: PAST });
    expect(reading.hands.left!.verdict).toBe('normal');
    expect(Math.abs(reading.hands.left!.change!)).toBeLessThan(reading.hands.left!.minimalDetectableChange);
    expect(reading.hands.left!.typicalError.fromLog).toBe(true);
    expect(reading.easierHolds).toBeUndefined();
  });

  it('calls a real drop and a real rise by hand, with z against the hand’s own spread', () => {
    const reading = readSqueeze({ today: test('2026-11-15', 40, 58), earlier: PAST });
    expect(reading.hands.left).toMatchObject({ verdict: 'down', sustainedDrop: false });
    expect(reading.hands.right!.verdict).toBe('up');
    expect(reading.hands.left!.z!).toBeLessThan(-2);
    expect(reading.easierHolds).toBeUndefined();
    expect(reading.asymmetry).toMatchObject({ stronger: 'right', clear: true });
  });

  it('a drop in two tests running makes the holds easier today', () => {
    const earlier = [...PAST, test('2026-11-10', 40, 52)];
    const reading = readSqueeze({ today: test('2026-11-15', 40.5, 52), earlier });
    expect(reading.hands.left!.sustainedDrop).toBe(true);
    expect(reading.hands.right!.sustainedDrop).toBe(false);
    expect(reading.easierHolds).toMatchObject({ share: 0.9, reason: { ruleId: 'squeeze.sustained-drop' } });
  });

  it('compares within one protocol only, and says what it set aside', () => {
    const straight = { ...PROTOCOL, elbow: 180 };
    const reading = readSqueeze({
      today: test('2026-11-15', 40, 52),
      earlier: [...PAST.slice(0, 2), ...PAST.slice(2).map((each) => ({ ...each, protocol: straight }))],
    });
    expect(reading).toMatchObject({ compared: 2, setAside: 3 });
    expect(reading.why[0]!.ruleId).toBe('squeeze.other-protocol');
    expect(sameProtocol(PROTOCOL, { ...PROTOCOL, handle: 3 })).toBe(false);
    expect(sameProtocol(PROTOCOL, { ...PROTOCOL, rest: 90, elbow: 95 })).toBe(true);
  });

  it('a first test, or one of a single trial, is read with the working error and no verdict', () => {
    const single: SqueezeTest = {
      on: '2026-11-15',
      protocol: { ...PROTOCOL, trials: 1 },
      trials: [{ hand: 'left', force: 50 }],
    };
    const { hands, asymmetry } = readSqueeze({ today: single, earlier: [] });
    expect(hands.left).toMatchObject({
      verdict: 'unknown',
      best: 50,
      typicalError: { value: 2, fromLog: false },
    });
    expect(hands.right).toBeUndefined();
    expect(asymmetry).toBeUndefined();
  });

  it('weighs recent tests more', () => {
    const old = test('2025-01-01', 30, 30);
    const reading = readSqueeze({ today: test('2026-11-15', 49, 52), earlier: [...PAST, old] });
    expect(reading.hands.left!.baseline!).toBeGreaterThan(48);
  });

  it('refuses a score in another unit, saying what to do', () => {
    expect(() => readSqueeze({ today: test('2026-11-15', 900, 50), earlier: [] })).toThrow(
      /today\.trials\[0\]\.force.*newtons divided by 9\.81/,
    );
  });
});

describe('asymmetry', () => {
  it('has its own doubt, and is only clear past it', () => {
    expect(squeezeAsymmetry(50, 45, 2)).toMatchObject({ value: 10, stronger: 'left', clear: true });
    expect(squeezeAsymmetry(50, 48, 2).clear).toBe(false);
    expect(squeezeAsymmetry(50, 50, 2).stronger).toBeNull();
  });
});
