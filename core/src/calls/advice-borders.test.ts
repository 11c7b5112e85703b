import { findLift } from '../set-demand/lifts.ts';
import { advise, CAUTIONS, CUES, type AdviceFacts } from './advice.ts';
import { hands, lifter } from './fixtures.test-helper.ts';
import type { CallLifter } from './types.ts';

/* Where each sentence begins and ends: what stands in its place a word further off it says nothing of. */

type Case = Partial<Omit<AdviceFacts, 'lift'>> & { readonly lift?: string };

const said = (id: string, { lift = 'deadlift.conventional', ...more }: Case): boolean => {
  const about: AdviceFacts = {
    ...{ lifter: lifter(), lift: findLift(lift)!, role: 'top', reps: 1, choice: 'doubleOverhand' },
    ...{ chalk: 'block', noTape: false, earlierHolds: 0 },
    ...more,
  };
  return advise(about, [[...CUES, ...CAUTIONS].find((each) => each.id === id)!]).length === 1;
};
const flagged = (...flags: CallLifter['flags'][number][]): { lifter: CallLifter } => ({
  lifter: lifter({ flags }),
});
const learning = lifter({ hookStage: 'learn', thumbFingers: 2, hands: hands('left', { nail: 'split' }) });
const arthritis = { kind: 'thumbArthritis', cleared: true } as const;
const pressure = { kind: 'bloodPressure', cleared: false } as const;
const meet = { name: 'Harbour Open', straps: false, thumbTape: true, liquidChalk: true };
const torn = lifter({ hands: hands('left', { palm: 'torn' }) });

describe.each<[string, stands: Case[], quiet: Case[]]>([
  ['cue.double-overhand', [{ lift: 'row.barbell' }], [{ lift: 'hang.dead' }, { choice: null }]],
  ['cue.hook-tape', [{ choice: 'hook', lifter: learning }], [{ lifter: learning }, { choice: 'hook' }]],
  ['cue.hook-nail', [{ choice: 'hook', lifter: learning }], [{ lifter: learning }]],
  ['cue.hook-third-finger', [{ choice: 'hook', lifter: learning }], [{ lifter: learning }]],
  [
    'cue.arthritis-thumbless',
    [
      { role: 'backoff', ...flagged(arthritis) },
      { role: 'volume', ...flagged(pressure, arthritis) },
    ],
    [
      { role: 'backoff', choice: 'hook', ...flagged(arthritis) },
      { role: 'backoff', ...flagged(pressure) },
      { role: 'backoff' },
    ],
  ],
  [
    'cue.straps-put-on',
    [{ choice: 'straps', strapType: 'plain' }, { choice: 'straps' }],
    [{ choice: 'hook' }, { choice: 'straps', strapType: 'figureEight' }],
  ],
  [
    'cue.figure-eight-put-on',
    [{ choice: 'straps', strapType: 'figureEight' }],
    [{ choice: 'hook', strapType: 'figureEight' }],
  ],
  [
    'cue.grip-afresh',
    [{ reps: 5 }, { reps: 12, choice: 'mixed' }],
    [
      { reps: 4 },
      { reps: 5, choice: null },
      { reps: 5, choice: 'straps' },
      { reps: 5, lift: 'hold.front-rack' },
      { reps: 5, lift: 'romanian' },
      { reps: 5, lift: 'romanian', choice: null },
    ],
  ],
  [
    'cue.thumb-clamped',
    [{ lift: 'hold.behind-back' }],
    [{ lift: 'hold.front-rack', choice: 'hook' }, { lift: 'hang.dead' }],
  ],
  ['cue.sumo-thighs', [], [{ lift: 'deadlift.sumo' }]],
  [
    'cue.squat-chalk',
    [{ lift: 'squat', choice: null, sweat: true, chalk: 'liquid' }],
    [
      { sweat: true },
      { lift: 'squat', choice: null, sweat: true, chalk: 'none' },
      { lift: 'squat', choice: null, sweat: false },
    ],
  ],
  [
    'cue.liquid-chalk',
    [{ chalk: 'liquid', choice: 'straps' }],
    [
      { chalk: 'liquid', choice: null },
      { chalk: 'liquid', lift: 'gripper.close' },
      { chalk: 'block' },
      { chalk: 'none' },
    ],
  ],
  [
    'cue.no-chalk',
    [{ chalk: 'none', role: 'volume' }],
    [
      { chalk: 'none', choice: null },
      { chalk: 'none', lift: 'gripper.close' },
      { chalk: 'none', role: 'warmup' },
      { chalk: 'liquid' },
    ],
  ],
  [
    'caution.fixed-straps',
    [{ choice: 'straps', strapType: 'figureEight' }],
    [{ choice: 'hook', strapType: 'heavyDuty' }, { choice: 'straps' }],
  ],
  [
    'caution.torn-callus-at-a-meet',
    [{ event: meet, lifter: torn }],
    [
      { event: meet },
      { event: meet, lifter: torn, choice: null },
      { event: { ...meet, straps: true }, lifter: torn },
      { lifter: torn },
    ],
  ],
  [
    'caution.palm-up-after-biceps',
    [{ lift: 'curl', ...flagged(pressure, { kind: 'bicepsTendon', cleared: true }) }],
    [{ lift: 'curl' }, { lift: 'curl', ...flagged(pressure) }],
  ],
  [
    'caution.arthritis-joint',
    [
      { choice: 'hook', ...flagged(pressure, arthritis) },
      { choice: 'hook', role: 'attempt', ...flagged(arthritis) },
    ],
    [
      { choice: 'hook', ...flagged(pressure) },
      { choice: 'mixed', ...flagged(arthritis) },
      { choice: 'hook', role: 'volume', load: 150, ...flagged(arthritis) },
    ],
  ],
  ['caution.breath', [flagged(pressure)], [{ role: 'warmup', ...flagged(pressure) }, flagged(arthritis)]],
  [
    'caution.stop-on-pain',
    [{ lift: 'hold.front-rack' }, { lift: 'pinch.plates' }],
    [{ lift: 'carry.frame' }],
  ],
  [
    'caution.holds-before-main-lift',
    [{ earlierHolds: 1, role: 'attempt' }],
    [{ earlierHolds: 1, role: 'backoff' }, { earlierHolds: 0 }],
  ],
  ['caution.rulebook', [{ event: meet, role: 'attempt' }], [{ event: meet, role: 'top' }]],
  [
    'caution.history.thumbArthritis',
    [
      { choice: 'hook', ...flagged(arthritis) },
      flagged({ ...arthritis, cleared: false }),
      flagged(pressure, { ...arthritis, cleared: false }),
    ],
    [flagged(arthritis), flagged(pressure), { choice: 'hook', ...flagged(pressure) }],
  ],
  ['caution.history.heart', [flagged(arthritis, { kind: 'heart', cleared: false })], [flagged(pressure)]],
])('%s', (id, stands, quiet) => {
  it('stands here', () => stands.forEach((each) => expect([each, said(id, each)]).toEqual([each, true])));
  it('is quiet here', () => quiet.forEach((each) => expect([each, said(id, each)]).toEqual([each, false])));
});
