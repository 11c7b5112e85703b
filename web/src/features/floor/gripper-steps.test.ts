import type { GripperPlan, GripperWork, Side } from '@iron-clasp/core';
import { gripperSteps } from './gripper-steps.ts';

const work = (id: string, sets: number): GripperWork => ({
  ...{ gripper: { id, name: id, resistance: 50 }, probability: 0.9, sets, reps: 5 },
  reason: { ruleId: 'r', rank: 'evidence', text: '' },
});
const plan = (hand: Side, more: Partial<GripperPlan>): GripperPlan => ({
  ...{
    hand,
    halfChance: { value: 60, low: 55, high: 65 },
    opening: { sets: 2, reps: 15 },
    unrated: [],
    why: [],
  },
  ...more,
});

it('the hands take turns, kind by kind', () => {
  const steps = gripperSteps({
    left: plan('left', { working: work('slate', 2), goal: work('rope', 1) }),
    right: plan('right', { working: work('rope', 3) }),
  });
  expect(steps.map(({ kind, side, set, work: { gripper } }) => [kind, side, set, gripper.id])).toEqual([
    ['working', 'left', 1, 'slate'],
    ['working', 'right', 1, 'rope'],
    ['working', 'left', 2, 'slate'],
    ['working', 'right', 2, 'rope'],
    ['working', 'right', 3, 'rope'],
    ['goal', 'left', 1, 'rope'],
  ]);
  expect(new Set(steps.map(({ key }) => key)).size).toBe(steps.length);
});

it('a barred hand has no set', () => {
  const barred = { ruleId: 'b', rank: 'safety', text: 'Elbow pain.' } as const;
  const steps = gripperSteps({
    left: plan('left', { working: work('slate', 1), barred }),
    right: plan('right', { working: work('slate', 1) }),
  });
  expect(steps.map(({ side }) => side)).toEqual(['right']);
});
