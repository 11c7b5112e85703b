import { SOUND_HAND } from '../hands/hand-state.ts';
import { findLift } from '../set-demand/lifts.ts';
import { hands, lifter } from './fixtures.test-helper.ts';
import { applyRules, CALL_RULES, type RuleFacts } from './rules.ts';

const facts = (more: Partial<RuleFacts> = {}): RuleFacts => ({
  lifter: lifter(),
  lift: findLift('deadlift.conventional')!,
  role: 'top',
  reps: 1,
  ...more,
});
const lift = (id: string): { lift: RuleFacts['lift'] } => ({ lift: findLift(id)! });
const meet = { name: 'Harbour Open', straps: false, thumbTape: true, liquidChalk: true };

/** Every rule with a case that sets it off and one that does not. */
const TABLE: Record<string, { fires: RuleFacts; bars: string[]; quiet: RuleFacts }> = {
  'safety.numbness-stop': {
    fires: facts({ lifter: lifter({ hands: hands('right', { numb: true }) }) }),
    bars: ['doubleOverhand', 'mixed', 'hook', 'straps'],
    quiet: facts({ lifter: lifter({ hands: hands('right', { pain: 5 }) }) }),
  },
  'safety.biceps-never-supinated': {
    fires: facts({ lifter: lifter({ flags: [{ kind: 'bicepsTendon', side: 'right', cleared: true }] }) }),
    bars: ['right under'],
    quiet: facts({ lifter: lifter({ flags: [{ kind: 'elbowTendon', side: 'right', cleared: true }] }) }),
  },
  'safety.shoulder-never-supinated': {
    fires: facts({ lifter: lifter({ flags: [{ kind: 'shoulder', side: 'left', cleared: false }] }) }),
    bars: ['left under'],
    quiet: facts(),
  },
  'safety.torn-callus-straps': {
    fires: facts({ lifter: lifter({ hands: hands('left', { palm: 'torn' }) }) }),
    bars: ['doubleOverhand', 'mixed', 'hook'],
    quiet: facts({ lifter: lifter({ hands: hands('left', { palm: 'callused' }) }) }),
  },
  'safety.finger-injury-straps': {
    fires: facts({ lifter: lifter({ hands: hands('left', { finger: 'sprained' }) }) }),
    bars: ['doubleOverhand', 'mixed', 'hook'],
    quiet: facts(),
  },
  'safety.damaged-thumb-no-hook': {
    fires: facts({ lifter: lifter({ hands: hands('left', { thumb: 'torn' }) }) }),
    bars: ['hook'],
    quiet: facts({ lifter: lifter({ hands: hands('left', { thumb: 'tender' }) }) }),
  },
  'safety.thumb-arthritis-hook-top-only': {
    fires: facts({ role: 'volume', lifter: lifter({ flags: [{ kind: 'thumbArthritis', cleared: true }] }) }),
    bars: ['hook'],
    quiet: facts({ role: 'top', lifter: lifter({ flags: [{ kind: 'thumbArthritis', cleared: true }] }) }),
  },
  'event.straps-barred': {
    fires: facts({ event: meet }),
    bars: ['straps'],
    quiet: facts({ event: { ...meet, straps: true } }),
  },
  'lift.straps-not-admitted': {
    fires: facts(lift('clean')),
    bars: ['straps'],
    quiet: facts(lift('clean-pull')),
  },
  'lift.no-straps-on-snatch-singles': {
    fires: facts({ ...lift('snatch'), reps: 2 }),
    bars: ['straps'],
    quiet: facts({ ...lift('snatch'), reps: 2, lifter: lifter({ hands: hands('left', { thumb: 'torn' }) }) }),
  },
  'lift.grip-not-admitted': {
    fires: facts(lift('curl')),
    bars: ['mixed', 'hook'],
    quiet: facts(lift('rack-pull')),
  },
  'adaptation.hook-stage': {
    fires: facts({ lifter: lifter({ hookStage: 'learn' }) }),
    bars: ['hook'],
    quiet: facts({ role: 'warmup', lifter: lifter({ hookStage: 'learn' }) }),
  },
};

describe.each(CALL_RULES.map((rule) => [rule.id, rule] as const))('%s', (id, rule) => {
  it('takes away what it should, and says why', () => {
    const entry = TABLE[id]!;
    const found = applyRules(entry.fires, [rule]);
    const bars = [...found.choices.keys(), ...[...found.sidesUnder.keys()].map((side) => `${side} under`)];
    expect(bars).toEqual(entry.bars);
    expect(found.fired).toEqual([{ ruleId: id, rank: rule.rank, text: expect.stringMatching(/\.$/) }]);
  });

  it('stays quiet otherwise', () => {
    expect(applyRules(TABLE[id]!.quiet, [rule]).fired).toEqual([]);
  });
});

it('bars the mixed grip when neither hand may be turned under', () => {
  const both = lifter({
    flags: [
      { kind: 'bicepsTendon', side: 'right', cleared: true },
      { kind: 'shoulder', side: 'left', cleared: true },
    ],
  });
  expect(applyRules(facts({ lifter: both })).choices.get('mixed')?.rank).toBe('safety');
});

it('leaves sound hands on a deadlift everything', () => {
  const sound = lifter({ hands: { left: SOUND_HAND, right: SOUND_HAND } });
  expect(applyRules(facts({ lifter: sound }))).toMatchObject({ fired: [] });
});
