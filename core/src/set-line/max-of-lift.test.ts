import { LIFTS, findLift } from '../set-demand/lifts.ts';
import { maxOfLift, MAX_STAND_INS } from './max-of-lift.ts';
import { parseSetLine } from './set-line.ts';

const deadliftMax = 200;
const bests = [
  { liftId: 'clean', load: 110 },
  { liftId: 'romanian', load: 160 },
  { liftId: 'squat', load: 180 },
];

it.each([
  ['deadlift.conventional', 200, 'deadlift.conventional'],
  ['deadlift.sumo', 200, 'deadlift.conventional'],
  ['row.barbell', 200, 'deadlift.conventional'],
  ['hold.front-rack', 200, 'deadlift.conventional'],
  ['romanian', 160, 'romanian'],
  ['squat', 180, 'squat'],
  ['clean', 110, 'clean'],
  ['clean-pull', 110, 'clean'],
  ['hang-clean', 110, 'clean'],
])('a percentage of %s is of %d kg', (lift, max, liftId) => {
  expect(maxOfLift(lift, { deadliftMax, bests })).toEqual({ max, liftId });
});

it.each(['snatch', 'snatch-pull', 'press', 'pull-up', 'gripper.close'])(
  '%s has nothing that stands in for its own best',
  (lift) => expect(maxOfLift(lift, { deadliftMax, bests })).toBeUndefined(),
);

it('the stand-ins are lifts of the catalogue, and each stands in for some', () => {
  for (const { from, when } of MAX_STAND_INS) {
    expect(findLift(from)).toBeDefined();
    expect(LIFTS.filter(when).length).toBeGreaterThan(0);
  }
});

it('a line says what its percentage was of, and nothing where it names its load', () => {
  const context = { deadliftMax, bests, unit: 'kg' as const, lift: 'clean-pull' };
  expect(parseSetLine('3x3 @ 90%', context)).toMatchObject({ of: { max: 110, liftId: 'clean' } });
  expect(parseSetLine('3x3 @ 90%', context).sets![0]!.load).toBeCloseTo(99, 9);
  // Effort: three and two left are five to failure.
  expect(parseSetLine('1x3 @ 2 left', context).sets![0]!.load).toBeCloseTo(110 / (1 + 4 / 30), 9);
  expect(parseSetLine('3x3 @ 100', context).of).toBeUndefined();
});
