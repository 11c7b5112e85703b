import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { SIDES } from '../hands/hand-state.ts';
import { closeProbability, closeProbabilityRange, halfChanceResistance } from './close-probability.ts';
import { fitGripperLadder } from './fit-gripper-ladder.ts';
import { START_DEPTHS, type GripperAttempt } from './types.ts';

const ATTEMPTS: GripperAttempt[] = readFileSync(
  join(import.meta.dirname, '..', 'reference', 'gripper-ladder.csv'),
  'utf8',
)
  .trim()
  .split('\n')
  .slice(1)
  .map((line) => {
    const [hand, resistance, depth, closed] = line.split(',');
    return {
      hand: hand as GripperAttempt['hand'],
      resistance: Number(resistance),
      depth: depth as GripperAttempt['depth'],
      closed: closed === '1',
    };
  });

const term = (ladder: ReturnType<typeof fitGripperLadder>, name: string): { value: number; se: number } => {
  const j = ladder.terms.findIndex((each) => each.name === name);
  return { value: ladder.terms[j]!.value, se: Math.sqrt(ladder.covariance[j]![j]!) };
};

describe('with flat priors it is probit maximum likelihood', () => {
  const ladder = fitGripperLadder(ATTEMPTS, { prior: 'flat' });

  // Coefficients and standard errors (observed information) of an independent statistics package.
  it.each([
    ['left', 1.0418875684326, 0.54487957864647],
    ['right', 2.0974323666281, 0.73007724707646],
    ['slope', -7.2324109941885, 1.65731937066948],
    ['parallel', 1.1555323712335, 0.69221597852984],
    ['deep', 1.4816991122047, 0.65696044438288],
  ])('%s', (name, value, se) => {
    expect(Math.abs(term(ladder, name).value - value)).toBeLessThan(1e-6);
    expect(Math.abs(term(ladder, name).se - se)).toBeLessThan(1e-6);
  });

  it('half-chance resistance', () => {
    expect(halfChanceResistance(ladder, 'left').value).toBeCloseTo(57.747561916755, 5);
    expect(halfChanceResistance(ladder, 'right').value).toBeCloseTo(66.821680941595, 5);
    expect(ladder.evidence).toMatchObject({ attempts: 72, settled: true });
  });

  it('cannot speak of a hand or depth it has no attempts for', () => {
    const left = fitGripperLadder(
      ATTEMPTS.filter((each) => each.hand === 'left' && each.depth === 'open'),
      { prior: 'flat' },
    );
    expect(() => closeProbability(left, { hand: 'right', resistance: 50 })).toThrow(/hand/);
    expect(() => closeProbability(left, { hand: 'left', resistance: 50, depth: 'deep' })).toThrow(/depth/);
  });
});

const attempt: fc.Arbitrary<GripperAttempt> = fc.record({
  hand: fc.constantFrom(...SIDES),
  resistance: fc.option(fc.double({ min: 5, max: 150, noNaN: true })),
  depth: fc.constantFrom(...START_DEPTHS),
  closed: fc.boolean(),
  ageDays: fc.double({ min: 0, max: 400, noNaN: true }),
});

describe('whatever the attempts', () => {
  it('chances lie in their range, fall with resistance, and the half-chance is one in two', () => {
    const kg = fc.double({ min: 10, max: 150, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(attempt, { maxLength: 25 }),
        kg,
        kg,
        fc.constantFrom(...SIDES),
        (rows, a, b, hand) => {
          const ladder = fitGripperLadder(rows);
          const half = halfChanceResistance(ladder, hand);
          expect(half.low).toBeLessThan(half.value);
          expect(half.high).toBeGreaterThan(half.value);
          if (half.value < 300)
            expect(closeProbability(ladder, { hand, resistance: half.value })).toBeCloseTo(0.5, 9);
          const middle = (resistance: number): number => {
            const { low, high } = closeProbabilityRange(ladder, { hand, resistance });
            const chance = closeProbability(ladder, { hand, resistance });
            expect(chance >= 0 && chance <= 1 && low <= high).toBe(true);
            return chance;
          };
          // The doubt about the slope can only pull far chances towards a half, never across it.
          const [light, heavy] = [Math.min(a, b), Math.max(a, b)];
          if (light < half.value && heavy > half.value)
            expect(middle(light)).toBeGreaterThanOrEqual(middle(heavy));
        },
      ),
    );
  });

  it('the order of the rows does not matter', () => {
    const shuffled = [...ATTEMPTS].reverse();
    fitGripperLadder(shuffled).terms.forEach(({ name, value }) =>
      expect(value).toBeCloseTo(term(fitGripperLadder(ATTEMPTS), name).value, 8),
    );
  });

  it('all closed, all missed and none at all give a ladder that knows little', () => {
    for (const rows of [
      [],
      ATTEMPTS.map((each) => ({ ...each, closed: true })),
      ATTEMPTS.map((each) => ({ ...each, closed: false })),
    ]) {
      const half = halfChanceResistance(fitGripperLadder(rows), 'left');
      expect(half.high / half.low).toBeGreaterThan(1.3);
      expect(Number.isFinite(half.high)).toBe(true);
    }
    expect(
      fitGripperLadder(
        ATTEMPTS.map((each) => ({ ...each, closed: true })),
        { prior: 'flat' },
      ).evidence.settled,
    ).toBe(false);
  });

  it('counts what has no rating and leaves it out', () => {
    const unrated = { ...ATTEMPTS[0]!, resistance: null };
    expect(fitGripperLadder([...ATTEMPTS, unrated]).evidence).toMatchObject({ attempts: 72, unrated: 1 });
  });

  it('standing still, an old attempt weighs half after 42 days', () => {
    const flat = { prior: 'flat' } as const;
    const aged = fitGripperLadder([...ATTEMPTS, { ...ATTEMPTS[0]!, ageDays: 42 }], flat);
    const halved = fitGripperLadder([...ATTEMPTS, { ...ATTEMPTS[0]!, weight: 0.5 }], flat);
    expect(term(aged, 'left').value).toBeCloseTo(term(halved, 'left').value, 9);
  });

  it('goes along with hands that gain, and is in more doubt long after the last attempt', () => {
    // Closes everything up to a resistance that rises from 50 to 65 kg over half a year.
    const rows = Array.from({ length: 26 }, (_, week) =>
      [0.94, 0.98, 1.02, 1.06].map((share): GripperAttempt => {
        const half = 50 + (15 * week) / 25;
        return {
          ...{ hand: 'left', resistance: half * share, depth: 'open', closed: share < 1 },
          ageDays: 7 * (25 - week) + 1,
        };
      }),
    ).flat();
    const today = halfChanceResistance(fitGripperLadder(rows), 'left');
    expect(today.low).toBeLessThan(65);
    expect(today.high).toBeGreaterThan(63);
    expect(today.value).toBeGreaterThan(61);
    const later = halfChanceResistance(
      fitGripperLadder(rows.map((each) => ({ ...each, ageDays: each.ageDays! + 120 }))),
      'left',
    );
    expect(later.high / later.low).toBeGreaterThan(today.high / today.low);
  });

  it('names what it cannot use', () => {
    expect(() => fitGripperLadder([{ ...ATTEMPTS[0]!, resistance: -3 }])).toThrow(
      /attempts\[0\]\.resistance/,
    );
    expect(() => fitGripperLadder([{ ...ATTEMPTS[0]!, hand: 'foot' as never }])).toThrow(
      /attempts\[0\]\.hand/,
    );
  });
});
