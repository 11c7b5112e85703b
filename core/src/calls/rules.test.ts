import type { Grip } from '../clasp-curve/types.ts';
import { SOUND_HAND, type Side } from '../hands/hand-state.ts';
import { STRAP_TYPES, type Lift } from '../set-demand/lift.ts';
import { findLift } from '../set-demand/lifts.ts';
import { CALL_RULES } from './call-rules.ts';
import { hands, lifter } from './fixtures.test-helper.ts';
import { applyRules, type RuleEffect, type RuleFacts } from './rules.ts';
import { REASON_RANKS } from './types.ts';

const facts = (more: Partial<RuleFacts> = {}): RuleFacts => ({
  lifter: lifter(),
  lift: findLift('deadlift.conventional')!,
  role: 'top',
  reps: 1,
  ...more,
});
const lift = (id: string): { lift: Lift } => ({ lift: findLift(id)! });
const meet = { name: 'Harbour Open', straps: false, thumbTape: true, liquidChalk: true };
const hall = { name: 'Hall', chalk: 'block' as const, barDiameter: 28.5 };
const arthritic = lifter({ flags: [{ kind: 'thumbArthritis', cleared: true }] });
const uncleared = lifter({ flags: [{ kind: 'bloodPressure', cleared: false }] });
const repaired = (cleared: boolean) => lifter({ flags: [{ kind: 'bicepsTendon', side: 'right', cleared }] });
const operated = (side: Side) => lifter({ flags: [{ kind: 'recentOperation', side, cleared: false }] });
const sore = (elbowPain: number) => lifter({ hands: hands('left', { elbowPain }) });
const odds = (held: Partial<Record<Grip, number>>) => (grip: Grip) => held[grip] ?? 0.95;
const BARE = ['doubleOverhand', 'mixed', 'hook'];

/** Everything an effect does, as words. */
function done({ bars = [], byLoad, barsUnder = [], barsStrapTypes = [], ...rest }: RuleEffect): string[] {
  return [
    ...bars.map((choice) => (byLoad ? `${choice} at this load` : choice)),
    ...barsUnder.map((side) => `${side} under`),
    ...barsStrapTypes.map((type) => `${type} strap`),
    ...(rest.strapsFirst ? ['straps first'] : []),
    ...(rest.chalkAtMost ? [`${rest.chalkAtMost} chalk at most`] : []),
    ...(rest.noTape ? ['no tape'] : []),
    ...(rest.stops ? ['stop'] : []),
    ...(rest.prefers ? [`${rest.prefers} preferred`] : []),
    ...(rest.loadAtMost ? [`${rest.loadAtMost} kg at most`] : []),
    ...(rest.handsOut ?? []).map((side) => `${side} hand out`),
  ];
}

/** Every rule with a case that sets it off, what it then does, and a case that does not. */
const TABLE: Record<string, { fires: RuleFacts; does: string[]; quiet: RuleFacts }> = {
  'safety.unwell-stop': {
    fires: facts({ lifter: lifter({ hands: { ...hands('left', {}), unwell: true } }) }),
    does: [...BARE, 'straps', 'stop'],
    quiet: facts({ lifter: lifter({ hands: { ...hands('left', {}), unwell: false } }) }),
  },
  'safety.numbness-stop': {
    fires: facts({ lifter: lifter({ hands: hands('right', { numb: true }) }) }),
    does: [...BARE, 'straps', 'stop'],
    quiet: facts({ lifter: lifter({ hands: hands('right', { pain: 5 }) }) }),
  },
  'safety.spreading-pain-stop': {
    fires: facts({ lifter: lifter({ hands: hands('right', { spreadingPain: true }) }) }),
    does: [...BARE, 'straps', 'stop'],
    quiet: facts({ lifter: lifter({ hands: hands('right', { elbowPain: 7 }) }) }),
  },
  'safety.sharp-pain-stop': {
    fires: facts({ lifter: lifter({ hands: hands('left', { pain: 8 }) }) }),
    does: [...BARE, 'straps', 'stop'],
    quiet: facts({ lifter: lifter({ hands: hands('left', { pain: 7 }) }) }),
  },
  'safety.biceps-pain-not-under': {
    fires: facts({ lifter: lifter({ hands: hands('left', { bicepsPain: 3 }) }) }),
    does: ['left under'],
    quiet: facts({ lifter: lifter({ hands: hands('left', { bicepsPain: 2, elbowPain: 5 }) }) }),
  },
  'safety.biceps-never-supinated': {
    fires: facts({ lifter: lifter({ flags: [{ kind: 'bicepsTendon', side: 'right', cleared: true }] }) }),
    does: ['right under'],
    quiet: facts({ lifter: lifter({ flags: [{ kind: 'elbowTendon', side: 'right', cleared: true }] }) }),
  },
  'safety.biceps-no-palm-up-load': {
    fires: facts({ ...lift('hold.supinated'), lifter: repaired(true) }),
    does: [...BARE, 'straps', 'stop'],
    quiet: facts({ ...lift('chin-up'), lifter: repaired(true) }),
  },
  'safety.shoulder-not-supinated': {
    fires: facts({ lifter: lifter({ flags: [{ kind: 'shoulder', side: 'left', cleared: false }] }) }),
    does: ['left under'],
    quiet: facts({ lifter: lifter({ flags: [{ kind: 'shoulder', side: 'left', cleared: true }] }) }),
  },
  'safety.operated-side-spared': {
    fires: facts({ ...lift('bench'), lifter: operated('left') }),
    does: ['left hand out'],
    quiet: facts({ ...lift('row.dumbbell'), hand: 'right', lifter: operated('left') }),
  },
  'safety.split-nail-no-hook-on-volume': {
    fires: facts({ role: 'volume', lifter: lifter({ hands: hands('left', { nail: 'split' }) }) }),
    does: ['hook'],
    quiet: facts({ role: 'top', lifter: lifter({ hands: hands('left', { nail: 'split' }) }) }),
  },
  'safety.tender-skin-no-hook-on-volume': {
    fires: facts({ role: 'backoff', lifter: lifter({ hands: hands('right', { thumb: 'tender' }) }) }),
    does: ['hook'],
    quiet: facts({ role: 'top', lifter: lifter({ hands: hands('right', { thumb: 'tender' }) }) }),
  },
  'safety.elbow-pain-no-near-limit': {
    fires: facts({ ...lift('hold.front-rack'), lifter: sore(4), odds: odds({ hook: 0.89 }) }),
    does: ['hook at this load'],
    quiet: facts({ ...lift('hold.front-rack'), lifter: sore(3), odds: odds({ hook: 0.89 }) }),
  },
  'safety.no-maximal-efforts': {
    fires: facts({ ...lift('squat'), lifter: uncleared, load: 161, max: 200 }),
    does: [...BARE, 'straps'].map((each) => `${each} at this load`).concat('160 kg at most'),
    quiet: facts({ ...lift('squat'), lifter: uncleared, load: 160, max: 200 }),
  },
  'safety.torn-callus-straps': {
    fires: facts({ lifter: lifter({ hands: hands('left', { palm: 'torn' }) }) }),
    does: BARE,
    quiet: facts({ lifter: lifter({ hands: hands('left', { palm: 'callused' }) }) }),
  },
  'safety.finger-injury-straps': {
    fires: facts({ lifter: lifter({ hands: hands('left', { finger: 'sprained' }) }) }),
    does: BARE,
    quiet: facts(),
  },
  'safety.damaged-thumb-no-hook': {
    fires: facts({ lifter: lifter({ hands: hands('left', { thumb: 'torn' }) }) }),
    does: ['hook'],
    quiet: facts({ lifter: lifter({ hands: hands('left', { thumb: 'tender' }) }) }),
  },
  'safety.bleeding-nail-no-hook': {
    fires: facts({ lifter: lifter({ hands: hands('right', { nail: 'bleeding' }) }) }),
    does: ['hook'],
    quiet: facts({ lifter: lifter({ hands: hands('right', { nail: 'split' }) }) }),
  },
  'safety.thumb-joint-pain-no-hook': {
    fires: facts({ lifter: { ...arthritic, hands: hands('right', { thumbJointPain: 3 }) } }),
    does: ['hook'],
    quiet: facts({ lifter: lifter({ hands: hands('right', { pain: 3, thumbJointPain: 2 }) }) }),
  },
  'safety.thumb-arthritis-hook-top-only': {
    fires: facts({ role: 'volume', lifter: arthritic }),
    does: ['hook'],
    quiet: facts({ role: 'top', lifter: arthritic }),
  },
  'safety.thumb-arthritis-straps-on-volume': {
    fires: facts({ role: 'backoff', lifter: { ...arthritic, hands: hands('left', { thumbJointPain: 1 }) } }),
    does: BARE,
    quiet: facts({ role: 'backoff', lifter: arthritic }),
  },
  'safety.no-near-limit-holds': {
    fires: facts({ ...lift('hold.front-rack'), lifter: uncleared, odds: odds({ doubleOverhand: 0.6 }) }),
    does: ['doubleOverhand at this load'],
    quiet: facts({ lifter: uncleared, odds: odds({ doubleOverhand: 0.6 }) }),
  },
  'event.straps-barred': {
    fires: facts({ event: meet }),
    does: ['straps'],
    quiet: facts({ event: { ...meet, straps: true } }),
  },
  'event.straps-always-used': {
    fires: facts({ event: { ...meet, straps: true }, role: 'attempt' }),
    does: ['straps first'],
    quiet: facts({ event: { ...meet, straps: true }, role: 'warmup' }),
  },
  'event.thumb-tape-barred': {
    fires: facts({ event: { ...meet, thumbTape: false } }),
    does: ['no tape'],
    quiet: facts({ event: meet }),
  },
  'event.liquid-chalk-barred': {
    fires: facts({ event: { ...meet, liquidChalk: false }, venue: { ...hall, chalk: 'liquid' } }),
    does: ['none chalk at most'],
    quiet: facts({ event: { ...meet, liquidChalk: false }, venue: hall }),
  },
  'venue.liquid-chalk-only': {
    fires: facts({ venue: { ...hall, chalk: 'liquid' } }),
    does: ['liquid chalk at most'],
    quiet: facts({ venue: hall }),
  },
  'venue.no-chalk': {
    fires: facts({ venue: { ...hall, chalk: 'none' } }),
    does: ['none chalk at most'],
    quiet: facts({ venue: { ...hall, chalk: 'none' }, ...lift('gripper.close') }),
  },
  'venue.strap-types-at-hand': {
    fires: facts({ venue: { ...hall, straps: ['loop', 'plain'] } }),
    does: ['quickRelease strap', 'figureEight strap', 'heavyDuty strap'],
    quiet: facts({ venue: { ...hall, straps: STRAP_TYPES } }),
  },
  'lift.straps-never-on-cleans': {
    fires: facts(lift('power-clean')),
    does: ['straps'],
    quiet: facts(lift('clean-pull')),
  },
  'lift.straps-never-on-hangs-and-curls': {
    fires: facts(lift('hanging-leg-raise')),
    does: ['straps'],
    quiet: facts(lift('pull-down')),
  },
  'lift.straps-not-for-presses-and-squats': {
    fires: facts(lift('bench')),
    does: ['straps'],
    quiet: facts(lift('row.barbell')),
  },
  'lift.straps-never-on-grip-work': {
    fires: facts(lift('hold.behind-back')),
    does: ['straps'],
    quiet: facts(lift('carry.handles')),
  },
  'lift.straps-not-admitted': {
    fires: facts({
      lift: {
        ...findLift('shrug')!,
        straps: { allowed: false, ruleId: 'club.no-straps-on-shrugs', reason: 'not in this club' },
      },
    }),
    does: ['straps'],
    quiet: facts(lift('clean')),
  },
  'lift.no-straps-on-grip-work': {
    fires: facts(lift('carry.handles')),
    does: ['straps'],
    quiet: facts({ ...lift('carry.handles'), purpose: 'event' }),
  },
  'lift.no-straps-on-snatch-singles': {
    fires: facts({ ...lift('snatch'), reps: 2 }),
    does: ['straps'],
    quiet: facts({ ...lift('snatch'), reps: 2, lifter: lifter({ hands: hands('left', { thumb: 'torn' }) }) }),
  },
  'lift.no-fixed-straps-on-dropped-bars': {
    fires: facts(lift('snatch-pull')),
    does: ['figureEight strap', 'heavyDuty strap'],
    quiet: facts(),
  },
  'lift.grip-not-admitted': {
    fires: facts(lift('curl')),
    does: ['mixed', 'hook'],
    quiet: facts(lift('rack-pull')),
  },
  'adaptation.hook-stage': {
    fires: facts({ lifter: lifter({ hookStage: 'learn' }) }),
    does: ['hook'],
    quiet: facts({ role: 'warmup', load: 100, lifter: lifter({ hookStage: 'learn' }) }),
  },
  'adaptation.hook-practice': {
    fires: facts({ role: 'warmup', load: 108, lifter: lifter({ hookStage: 'learn' }) }),
    does: ['hook preferred'],
    quiet: facts({ role: 'warmup', load: 109, lifter: lifter({ hookStage: 'learn' }) }),
  },
  'adaptation.arthritis-hook-not-cold': {
    fires: facts({ role: 'warmup', load: 108, lifter: arthritic }),
    does: ['hook preferred'],
    quiet: facts({ role: 'warmup', load: 107, lifter: arthritic }),
  },
  'adaptation.split-nail-top-sets': {
    fires: facts({ role: 'attempt', lifter: lifter({ hands: hands('left', { nail: 'split' }) }) }),
    does: ['hook'],
    quiet: facts({ role: 'volume', lifter: lifter({ hands: hands('left', { nail: 'split' }) }) }),
  },
  'adaptation.cleared-shoulder-not-supinated': {
    fires: facts({ lifter: lifter({ flags: [{ kind: 'shoulder', side: 'left', cleared: true }] }) }),
    does: ['left under'],
    quiet: facts({ lifter: lifter({ flags: [{ kind: 'shoulder', side: 'left', cleared: false }] }) }),
  },
  'adaptation.max-single-bare': {
    fires: facts({ load: 176 }),
    does: ['straps'],
    quiet: facts({ load: 176, lifter: lifter({ slippedToday: [{ grip: 'mixed', load: 150 }] }) }),
  },
  'adaptation.hook-skin-budget': {
    fires: facts({ lifter: lifter({ hookBudgetLeft: 700 }), demand: { load: 160, seconds: 5 } }),
    does: ['hook'],
    quiet: facts({ lifter: lifter({ hookBudgetLeft: 800 }), demand: { load: 160, seconds: 5 } }),
  },
  'adaptation.slipped-today': {
    fires: facts({
      lifter: lifter({ slippedToday: [{ grip: 'mixed', load: 180 }] }),
      demand: { load: 178, seconds: 5 },
    }),
    does: ['mixed at this load'],
    quiet: facts({
      lifter: lifter({ slippedToday: [{ grip: 'mixed', load: 180 }] }),
      demand: { load: 160, seconds: 5 },
    }),
  },
  'adaptation.mixed-waits-for-long-arms': {
    fires: facts({ lifter: lifter({ armsBendUnderMixed: true }) }),
    does: ['mixed'],
    quiet: facts({ ...lift('clean'), lifter: lifter({ armsBendUnderMixed: true }) }),
  },
};

it('lists every rule, once, in the order in which they outrank one another', () => {
  expect(Object.keys(TABLE).sort()).toEqual(CALL_RULES.map((rule) => rule.id).sort());
  const ranks = CALL_RULES.map((rule) => REASON_RANKS.indexOf(rule.rank));
  expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
});

describe.each(CALL_RULES.map((rule) => [rule.id, rule] as const))('%s', (id, rule) => {
  it('does what it should, and says why', () => {
    const entry = TABLE[id]!;
    const effect = rule.effect(entry.fires)!;
    expect(done(effect)).toEqual(entry.does);
    const { fired, prefers, strapTypes } = applyRules(entry.fires, [rule]);
    expect([...new Set([...fired, ...prefers.values(), ...strapTypes.values()])]).toEqual([
      { ruleId: id, rank: rule.rank, text: expect.stringMatching(/^[A-Z].*\.$/) },
    ]);
    expect(rule.reason).toMatch(/^[A-Z].*\.$/);
  });

  it('stays quiet otherwise', () => {
    expect(applyRules(TABLE[id]!.quiet, [rule]).fired).toEqual([]);
  });
});

it('bars the mixed grip when neither hand may be turned under', () => {
  const both = lifter({
    flags: [
      { kind: 'bicepsTendon', side: 'right', cleared: true },
      { kind: 'shoulder', side: 'left', cleared: false },
    ],
  });
  expect(applyRules(facts({ lifter: both }), CALL_RULES).choices.get('mixed')?.rank).toBe('safety');
});

it('bars straps where none of any type may be used', () => {
  const bare = facts({ venue: { ...hall, straps: [] } });
  expect(applyRules(bare, CALL_RULES).choices.get('straps')?.text).toBe('Hall: no straps at hand.');
});

it('a bar by load is no longer one where another rule bars the grip anyway', () => {
  const hurt = { ...uncleared, hands: hands('left', { palm: 'torn' }) };
  const held = facts({ ...lift('hold.front-rack'), lifter: hurt, odds: odds({ hook: 0.5 }) });
  expect(applyRules(held, CALL_RULES).byLoad.size).toBe(0);
});

it('leaves sound hands on a deadlift everything', () => {
  const sound = lifter({ hands: { left: SOUND_HAND, right: SOUND_HAND } });
  expect(applyRules(facts({ lifter: sound, venue: hall }), CALL_RULES)).toMatchObject({ fired: [] });
});
