import { hands, lifter } from '../calls/fixtures.test-helper.ts';
import { fitGripperLadder } from './fit-gripper-ladder.ts';
import { gripperPlan, type Gripper } from './gripper-plan.ts';
import type { GripperAttempt } from './types.ts';

const rung = (resistance: number | null): Gripper => ({
  id: `g${resistance}`,
  name: `${resistance ?? 'Unmarked'}`,
  resistance,
});
const LADDER = [27, 36, 45, 54, 63, 72, 90].map(rung);
/** Closes 45 always, 54 half the time, 63 never. */
const attempts = [45, 54, 63].flatMap((resistance): GripperAttempt[] =>
  Array.from({ length: 12 }, (_, i) => ({
    hand: i % 2 ? 'left' : 'right',
    resistance,
    depth: 'open',
    closed: resistance === 45 || (resistance === 54 && i % 4 < 2),
  })),
);
const ladder = fitGripperLadder(attempts);

describe('gripperPlan', () => {
  const plan = gripperPlan({ ladder, hand: 'right', grippers: LADDER });

  it('works on the hardest that is closed nine times in ten, tries the next, lowers the one past it', () => {
    expect(plan.working).toMatchObject({ gripper: { resistance: 45 }, sets: 3, reps: 5 });
    expect(plan.working!.probability).toBeGreaterThanOrEqual(0.9);
    expect(plan.goal).toMatchObject({ gripper: { resistance: 54 }, reps: 1 });
    expect(plan.negatives).toMatchObject({ gripper: { resistance: 63 }, seconds: 5 });
    expect(plan.timedCloses).toMatchObject({ gripper: { resistance: 45 }, seconds: 10 });
    expect(plan.halfChance.value).toBeGreaterThan(48);
    expect(plan.halfChance.value).toBeLessThan(60);
    expect(plan.opening.sets).toBeGreaterThan(0);
  });

  it('says where the ladder has a gap, and which grippers it passed over', () => {
    const gap = gripperPlan({ ladder, hand: 'right', grippers: [rung(36), rung(90), rung(null)] });
    expect(gap.goal).toBeUndefined();
    expect(gap.negatives!.gripper.resistance).toBe(90);
    expect(gap.why.map((each) => each.ruleId)).toEqual(['gripper.unrated', 'gripper.gap-in-ladder']);
    expect(gap.unrated).toEqual(['Unmarked']);
  });

  it('without an easy one takes the easiest; without any says so', () => {
    const hard = gripperPlan({ ladder, hand: 'right', grippers: [rung(72), rung(63)] });
    expect(hard.working).toMatchObject({ gripper: { resistance: 63 }, reps: 2 });
    expect(hard.timedCloses).toBeUndefined();
    expect(gripperPlan({ ladder, hand: 'right', grippers: [] }).why[0]!.ruleId).toBe('gripper.none');
  });

  it('one attempt is enough to plan from', () => {
    const one = gripperPlan({
      ladder: fitGripperLadder(attempts.slice(0, 1)),
      hand: 'left',
      grippers: LADDER,
    });
    expect(one.working).toBeDefined();
    expect(one.halfChance.high / one.halfChance.low).toBeGreaterThan(1.3);
  });

  it('is barred for a hand that must not squeeze, and leaves attempts out for a sore elbow', () => {
    const ask = (who: ReturnType<typeof lifter>) =>
      gripperPlan({ ladder, hand: 'left', grippers: LADDER, lifter: who });
    expect(ask(lifter({ hands: hands('left', { numb: true }) })).barred?.ruleId).toBe('safety.numbness-stop');
    const sore = ask(lifter({ hands: hands('left', { elbowPain: 5 }) }));
    expect(sore.goal).toBeUndefined();
    expect(sore.why.map((each) => each.ruleId)).toContain('gripper.elbow-waits');
    expect(sore.working).toBeDefined();
  });
});
