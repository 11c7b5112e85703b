import { HISTORY_KINDS } from '../hands/hand-state.ts';
import { findLift } from '../set-demand/lifts.ts';
import { advise, CAUTIONS, CUES, type AdviceFacts } from './advice.ts';
import { hands, lifter } from './fixtures.test-helper.ts';

const facts = (more: Partial<AdviceFacts> = {}): AdviceFacts => ({
  lifter: lifter(),
  lift: findLift('deadlift.conventional')!,
  role: 'top',
  reps: 1,
  choice: 'doubleOverhand',
  chalk: 'block',
  noTape: false,
  earlierHolds: 0,
  ...more,
});
const lift = (id: string): { lift: AdviceFacts['lift'] } => ({ lift: findLift(id)! });
const strapped = (strapType: AdviceFacts['strapType']): Partial<AdviceFacts> => ({
  choice: 'straps',
  ...(strapType && { strapType }),
});
const meet = { name: 'Harbour Open', straps: false, thumbTape: true, liquidChalk: true };

/** Each cue and caution with a case in which it stands and one in which it does not. */
const TABLE: Record<string, [stands: Partial<AdviceFacts>, quiet: Partial<AdviceFacts>]> = {
  'cue.double-overhand': [{}, { choice: 'hook' }],
  'cue.mixed-arms-long': [{ choice: 'mixed' }, {}],
  'cue.mixed-bar-close': [{ choice: 'mixed' }, {}],
  'cue.hook-thumb': [{ choice: 'hook' }, {}],
  'cue.hook-fingers': [{ choice: 'hook' }, { choice: 'mixed' }],
  'cue.hook-third-finger': [
    { choice: 'hook', lifter: lifter({ thumbFingers: 2 }) },
    { choice: 'hook', lifter: lifter({ thumbFingers: 3 }) },
  ],
  'cue.arthritis-thumbless': [
    { role: 'backoff', lifter: lifter({ flags: [{ kind: 'thumbArthritis', cleared: true }] }) },
    { role: 'top', lifter: lifter({ flags: [{ kind: 'thumbArthritis', cleared: true }] }) },
  ],
  'cue.clean-grip': [{ lift: findLift('deadlift.clean-grip')! }, {}],
  'cue.squat-chalk': [
    { lift: findLift('squat')!, choice: null, sweat: true },
    { lift: findLift('squat')!, choice: null },
  ],
  'caution.torn-callus-at-a-meet': [
    { event: meet, lifter: lifter({ hands: hands('left', { palm: 'torn' }) }) },
    { event: { ...meet, rehearsal: true }, lifter: lifter({ hands: hands('left', { palm: 'torn' }) }) },
  ],
  'caution.palm-up-after-biceps': [
    {
      lift: findLift('curl')!,
      lifter: lifter({ flags: [{ kind: 'bicepsTendon', side: 'left', cleared: true }] }),
    },
    { lifter: lifter({ flags: [{ kind: 'bicepsTendon', side: 'left', cleared: true }] }) },
  ],
  'caution.arthritis-joint': [
    { choice: 'hook', lifter: lifter({ flags: [{ kind: 'thumbArthritis', cleared: true }] }) },
    { choice: 'hook' },
  ],
  'caution.breath': [
    { role: 'volume', lifter: lifter({ flags: [{ kind: 'heart', cleared: false }] }) },
    { role: 'volume', lifter: lifter({ flags: [{ kind: 'heart', cleared: true }] }) },
  ],
  'cue.hook-tape': [
    { choice: 'hook', lifter: lifter({ hookStage: 'carry' }) },
    { choice: 'hook', lifter: lifter({ hookStage: 'carry' }), noTape: true },
  ],
  'cue.hook-nail': [
    { choice: 'hook', lifter: lifter({ hands: hands('left', { nail: 'split' }) }) },
    { choice: 'hook' },
  ],
  'cue.straps-put-on': [strapped('loop'), strapped('figureEight')],
  'cue.figure-eight-put-on': [strapped('figureEight'), strapped('loop')],
  'cue.straps-squeeze': [strapped('loop'), {}],
  'cue.grip-afresh': [{ reps: 5 }, { reps: 5, ...lift('romanian') }],
  'cue.thumb-clamped': [lift('hold.front-rack'), {}],
  'cue.sumo-thighs': [
    { ...lift('deadlift.sumo'), lifter: lifter({ tightThighs: true }) },
    { lifter: lifter({ tightThighs: true }) },
  ],
  'cue.liquid-chalk': [{ chalk: 'liquid' }, { chalk: 'liquid', role: 'warmup' }],
  'cue.no-chalk': [{ chalk: 'none' }, {}],
  'caution.strapped-bar': [strapped('loop'), {}],
  'caution.fixed-straps': [strapped('heavyDuty'), strapped('loop')],
  'caution.blood-on-bar': [{ lifter: lifter({ hands: hands('left', { nail: 'bleeding' }) }) }, {}],
  'caution.safety-pins': [lift('hold.front-rack'), lift('carry.frame')],
  'caution.stop-on-pain': [lift('hang.dead'), {}],
  'caution.carry-lane': [lift('carry.frame'), {}],
  'caution.holds-before-main-lift': [{ earlierHolds: 1 }, { earlierHolds: 1, ...lift('hold.front-rack') }],
  'caution.wrist-pain': [
    { lifter: lifter({ hands: hands('left', { wristPain: 4 }) }), ...lift('press') },
    { lifter: lifter({ hands: hands('left', { wristPain: 3 }) }) },
  ],
  'caution.hand-pain': [
    { lifter: lifter({ hands: hands('left', { pain: 4 }) }) },
    { lifter: lifter({ hands: hands('left', { pain: 4, palm: 'torn' }) }) },
  ],
  'caution.elbow-pain': [
    { lifter: lifter({ hands: hands('right', { elbowPain: 4 }) }) },
    { lifter: lifter({ hands: hands('right', { elbowPain: 4 }) }), ...lift('squat') },
  ],
  'caution.rulebook': [{ event: meet, role: 'attempt' }, { role: 'attempt' }],
  ...Object.fromEntries(
    HISTORY_KINDS.map((kind) => [
      `caution.history.${kind}`,
      [
        { lifter: lifter({ flags: [{ kind, cleared: false }] }) },
        { lifter: lifter({ flags: [{ kind, cleared: true }] }) },
      ],
    ]),
  ),
};

const ALL = [...CUES, ...CAUTIONS];

it('lists every cue and caution once', () => {
  expect(Object.keys(TABLE).sort()).toEqual(ALL.map((each) => each.id).sort());
});

it.each(ALL.map((each) => [each.id, each] as const))('%s stands where it applies', (id, each) => {
  const [stands, quiet] = TABLE[id]!;
  expect(advise(facts(stands), [each])).toEqual([expect.stringMatching(/\.$/)]);
  expect(advise(facts(quiet), [each])).toEqual([]);
});
