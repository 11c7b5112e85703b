import { rankSlipCauses, SLIP_CAUSES, type LoggedSlip } from './slip-causes.ts';

const slip = (more: Partial<LoggedSlip> = {}): LoggedSlip => ({
  lift: 'deadlift.conventional',
  role: 'top',
  reps: 1,
  slippedAtRep: 1,
  grip: 'doubleOverhand',
  ...more,
});

/** For each cause a slip that it leads, and one it has nothing to do with. */
const TABLE: Record<string, [leads: LoggedSlip, silent: LoggedSlip]> = {
  'slip.bar-rolls-to-fingertips': [slip({ expected: 0.5 }), slip({ reps: 8, slippedAtRep: 7 })],
  'slip.later-reps': [slip({ reps: 8, slippedAtRep: 7 }), slip()],
  'slip.hook-thumb-not-round': [slip({ grip: 'hook', reps: 2, thumbFingers: 1 }), slip()],
  'slip.hook-two-fingers': [slip({ grip: 'hook', thumbFingers: 2 }), slip({ grip: 'hook', thumbFingers: 3 })],
  'slip.hook-outer-thumb-dry': [slip({ grip: 'hook', outerThumbChalked: false }), slip({ grip: 'hook' })],
  'slip.hook-pain': [slip({ grip: 'hook', thumbPain: 6 }), slip({ grip: 'mixed', thumbPain: 6 })],
  'slip.sumo-thighs': [
    slip({ lift: 'deadlift.sumo', grip: 'mixed', draggedOnThighs: true }),
    slip({ draggedOnThighs: true }),
  ],
  'slip.mixed-bar-drifts': [
    slip({ grip: 'mixed', barDrifted: true }),
    slip({ grip: 'hook', barDrifted: true }),
  ],
  'slip.mixed-elbow-bent': [slip({ grip: 'mixed', elbowBent: true }), slip({ elbowBent: true })],
  'slip.sweat-or-no-chalk': [slip({ sweat: true, chalk: 'none' }), slip({ chalk: 'block' })],
  'slip.doubt': [slip({ reps: 2, confidence: 1, expected: 0.97 }), slip({ confidence: 4, expected: 0.5 })],
};

it('lists every cause', () => {
  expect(Object.keys(TABLE).sort()).toEqual(SLIP_CAUSES.map((each) => each.id).sort());
});

it.each(SLIP_CAUSES.map((each) => each.id))(
  '%s leads where the log shows it, and is silent elsewhere',
  (id) => {
    const [leads, silent] = TABLE[id]!;
    const [first] = rankSlipCauses([leads]);
    expect(first).toMatchObject({ id, slips: 1 });
    expect(first!.remedies.length).toBeGreaterThan(0);
    expect(rankSlipCauses([silent]).map((each) => each.id)).not.toContain(id);
  },
);

it('adds up over slips and says how many spoke', () => {
  const ranked = rankSlipCauses([
    slip({ grip: 'hook', thumbFingers: 2 }),
    slip({ grip: 'hook', thumbFingers: 2, sweat: true }),
    slip({ grip: 'mixed', sweat: true }),
  ]);
  expect(ranked[0]).toMatchObject({
    id: 'slip.hook-two-fingers',
    slips: 2,
    clues: [{ text: 'two fingers over the thumb', slips: 2 }],
  });
  expect(ranked.find((each) => each.id === 'slip.sweat-or-no-chalk')).toMatchObject({ slips: 2 });
});

it('nothing logged, nothing claimed; nonsense is named', () => {
  expect(rankSlipCauses([])).toEqual([]);
  expect(() => rankSlipCauses([slip({ slippedAtRep: 2 })])).toThrow(/slips\[0\]\.slippedAtRep/);
  expect(() => rankSlipCauses([slip({ confidence: 9 })])).toThrow(/slips\[0\]\.confidence/);
});
