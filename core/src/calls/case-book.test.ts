import { fitHoldCurve } from '../clasp-curve/fit-hold-curve.ts';
import type { HandToday, HistoryFlag, Side } from '../hands/hand-state.ts';
import { mixedLedger } from '../hands/mixed-ledger.ts';
import { observeBestPull } from '../log/observe-best.ts';
import { callSession } from './call-session.ts';
import { callSet } from './call-set.ts';
import { context, curveAround, hands, lifter, set } from './fixtures.test-helper.ts';
import { sayCall } from './say-call.ts';
import type { CallContext, CallLifter, EventRules, SetCall, SetToCall } from './types.ts';

/**
 * The case book: a lifter, a day, a line, and what a coach calls and why. Where not said otherwise the lifter pulls 180 kg,
 * is right-handed, has five years of training, sound hands, a settled hook and half a year of logs, in the school
 * "Overhand first", on a top single.
 */
interface Case {
  readonly school?: string;
  readonly lifter?: Partial<CallLifter>;
  /** 10 s load overhand, kg, of a lifter with a long log; `null` for one with a best of 180 and no log. */
  readonly ten?: number | null;
  readonly line?: Partial<Omit<SetToCall, 'lift'>> & { readonly lift?: string };
  readonly event?: EventRules;
  readonly sweat?: boolean;
  readonly venue?: CallContext['venue'];
  readonly under?: readonly Side[];
  /** The call as it is read aloud, or the part of it that matters. */
  readonly calls: string | RegExp;
  readonly verdict?: SetCall['verdict'];
  /** Rule that must be among the reasons. */
  readonly because?: string;
  /** A caution or cue that must be said. */
  readonly says?: RegExp;
  /** kg, where a lighter load is offered. */
  readonly lighter?: number;
}

const hand = (side: Side, more: Partial<HandToday>): Pick<CallLifter, 'hands'> => ({
  hands: hands(side, more),
});
const history = (kind: HistoryFlag['kind'], cleared: boolean, side?: Side): Pick<CallLifter, 'flags'> => ({
  flags: [{ kind, cleared, ...(side && { side }) }],
});
const meet: EventRules = { name: 'Harbour Open', straps: false, thumbTape: true, liquidChalk: true };
const strongmanEvent: EventRules = { name: 'Quay Day', straps: true, thumbTape: true, liquidChalk: true };
const UNWELL = { hands: { ...hands('left', {}), unwell: true } };
const bench = { lift: 'bench', load: 100, reps: 5, role: 'volume' } as const;
const backOff = { role: 'backoff', load: 125, reps: 5 } as const;
const warmUp = { role: 'warmup', load: 60, reps: 5 } as const;

const BOOK: Record<string, Case> = {
  // Stops reach every line.
  'dizzy: the deadlift is left out': { lifter: UNWELL, calls: 'leave it out', verdict: 'stop' },
  'dizzy: so is the squat': {
    lifter: UNWELL,
    line: { lift: 'squat', load: 100 },
    ...{ calls: 'leave it out', verdict: 'stop', because: 'safety.unwell-stop' },
  },
  'a numb hand stops the bench press too': {
    lifter: hand('left', { numb: true }),
    line: bench,
    ...{ calls: 'leave it out', verdict: 'stop', because: 'safety.numbness-stop' },
  },
  'spreading pain stops the gripper': {
    lifter: hand('right', { spreadingPain: true }),
    line: { lift: 'gripper.close', load: 40, role: 'accessory' },
    ...{ calls: 'leave it out', verdict: 'stop', because: 'safety.spreading-pain-stop' },
  },
  'sharp elbow pain stops the press': {
    lifter: hand('right', { elbowPain: 8 }),
    line: { lift: 'press', load: 50 },
    ...{ calls: 'leave it out', verdict: 'stop', because: 'safety.sharp-pain-stop' },
  },
  'sharp thumb joint pain stops wrist work': {
    lifter: hand('left', { thumbJointPain: 8 }),
    line: { lift: 'wrist-roller', load: 5, role: 'accessory', seconds: 45 },
    ...{ calls: 'leave it out', verdict: 'stop', because: 'safety.sharp-pain-stop' },
  },
  'pain of 7 is no stop': { lifter: hand('left', { pain: 7 }), line: bench, calls: 'no grip call' },

  // Biceps and shoulder.
  'repaired biceps: the other hand under': {
    school: 'same-grip',
    lifter: history('bicepsTendon', true, 'left'),
    line: { load: 120 },
    ...{ calls: /^mixed, right under/, because: 'safety.biceps-never-supinated' },
  },
  'repaired biceps, practised under on that side: still not': {
    school: 'same-grip',
    lifter: { ...history('bicepsTendon', true, 'left'), practisedUnder: 'left' },
    line: { load: 120 },
    calls: /^mixed, right under/,
  },
  'both biceps: no mixed grip at all': {
    school: 'same-grip',
    lifter: history('bicepsTendon', true),
    line: { load: 120 },
    calls: /^hook/,
  },
  'repaired biceps, cleared: no supinated hold': {
    lifter: history('bicepsTendon', true, 'right'),
    line: { lift: 'hold.supinated', load: 60, role: 'accessory', seconds: 20 },
    ...{ calls: 'leave it out', because: 'safety.biceps-no-palm-up-load' },
  },
  'biceps not cleared: no chin-ups': {
    lifter: history('bicepsTendon', false, 'right'),
    line: { lift: 'chin-up', load: 0.5, bodyMass: 80, reps: 8, role: 'accessory' },
    ...{ calls: 'leave it out', because: 'safety.biceps-no-palm-up-load' },
  },
  'biceps cleared: curls are light and the coach’s decision': {
    lifter: history('bicepsTendon', true, 'right'),
    line: { lift: 'curl', load: 30, reps: 10, role: 'accessory' },
    ...{ calls: /^double overhand/, says: /stays light and is the coach/ },
  },
  'biceps not cleared: reverse curls are palm down and go on': {
    lifter: history('bicepsTendon', false, 'right'),
    line: { lift: 'curl.reverse', load: 25, reps: 10, role: 'accessory' },
    calls: /^double overhand/,
  },
  'sore biceps today: not under, no curls': {
    lifter: hand('left', { bicepsPain: 3 }),
    line: { lift: 'curl', load: 30, reps: 10, role: 'accessory' },
    ...{ calls: 'leave it out', because: 'safety.biceps-pain-not-under' },
  },
  'shoulder not cleared: that hand over': {
    school: 'same-grip',
    lifter: history('shoulder', false, 'left'),
    line: { load: 120 },
    ...{ calls: /right under/, because: 'safety.shoulder-not-supinated' },
  },

  // Damaged hands.
  'torn callus: straps, in the school that never straps': {
    school: 'bare-hands',
    lifter: hand('left', { palm: 'torn' }),
    ...{ calls: /^straps/, because: 'safety.torn-callus-straps', says: /blood on a bar is cleaned/ },
  },
  'torn callus: no cleans': {
    lifter: hand('left', { palm: 'torn' }),
    line: { lift: 'clean', load: 90 },
    calls: 'leave it out',
  },
  'torn callus on the platform: bare, covered, the coach decides': {
    lifter: hand('left', { palm: 'torn' }),
    event: meet,
    line: { role: 'attempt', load: 150 },
    ...{ calls: /^(hook|mixed|double overhand)/, says: /as the rulebook allows/ },
  },
  'torn callus in a rehearsal: not today': {
    lifter: hand('left', { palm: 'torn' }),
    event: { ...meet, rehearsal: true },
    line: { load: 150 },
    calls: 'leave it out',
  },
  'torn callus: dumbbell rows are strapped': {
    lifter: hand('left', { palm: 'torn' }),
    line: { lift: 'row.dumbbell', load: 40, reps: 8, role: 'volume' },
    calls: /^straps/,
  },
  'torn left callus: grippers with the right hand only': {
    lifter: hand('left', { palm: 'torn' }),
    line: { lift: 'gripper.close', load: 40, reps: 5, role: 'accessory' },
    ...{ calls: /right hand only/, verdict: 'free' },
  },
  'sprained finger on both hands: no grippers': {
    lifter: {
      hands: {
        left: { ...hands('left', { finger: 'sprained' }).left },
        right: { ...hands('left', { finger: 'sprained' }).left },
      },
    },
    line: { lift: 'gripper.close', load: 40, reps: 5, role: 'accessory' },
    calls: 'leave it out',
  },
  'torn callus: a plate pinch waits': {
    lifter: hand('right', { palm: 'torn' }),
    line: { lift: 'pinch.plates', load: 30, role: 'accessory', seconds: 20 },
    calls: 'leave it out',
  },
  'torn callus: the band opens the hand all the same': {
    lifter: hand('right', { palm: 'torn' }),
    line: { lift: 'band-opening', load: 1, reps: 20, role: 'accessory' },
    calls: 'no grip call',
  },
  'operated on the left, not cleared: nothing for that hand': {
    lifter: history('recentOperation', false, 'left'),
    line: { lift: 'row.barbell', load: 60, reps: 8, role: 'volume' },
    ...{ calls: 'leave it out', because: 'safety.operated-side-spared' },
  },
  'operated on the left: the right may row alone': {
    lifter: history('recentOperation', false, 'left'),
    line: { lift: 'row.dumbbell', load: 30, reps: 8, role: 'volume' },
    calls: /right hand only/,
  },
  'torn thumb skin: no hook, even for the committed': {
    school: 'hook-committed',
    lifter: hand('left', { thumb: 'torn' }),
    line: { load: 140 },
    ...{ calls: /^mixed/, because: 'safety.damaged-thumb-no-hook' },
  },
  'blood under the nail: no hook at all': {
    school: 'hook-committed',
    lifter: hand('left', { nail: 'bleeding' }),
    line: { load: 140 },
    ...{ calls: /^mixed/, because: 'safety.bleeding-nail-no-hook' },
  },
  'split nail: no hook on volume': {
    school: 'hook-committed',
    lifter: hand('left', { nail: 'split' }),
    line: { role: 'volume', load: 100, reps: 5 },
    ...{ calls: /^double overhand/, because: 'safety.split-nail-no-hook-on-volume' },
  },
  'split nail: no hook on a top set unless the coach wants it': {
    school: 'hook-committed',
    lifter: hand('left', { nail: 'split' }),
    line: { load: 140 },
    ...{ calls: /^mixed/, because: 'adaptation.split-nail-top-sets' },
  },
  'tender thumb: never the hook on volume': {
    school: 'hook-committed',
    lifter: hand('right', { thumb: 'tender' }),
    line: { role: 'volume', load: 100, reps: 5 },
    ...{ calls: /^double overhand/, because: 'safety.tender-skin-no-hook-on-volume' },
  },
  'tender thumb: the top set keeps it': {
    school: 'hook-committed',
    lifter: hand('right', { thumb: 'tender' }),
    line: { load: 140 },
    calls: /^hook/,
  },

  // Arthritis.
  'arthritis: the last warm-up is hooked': {
    lifter: history('thumbArthritis', true, 'right'),
    line: { role: 'warmup', load: 120, reps: 1 },
    ...{ calls: /^hook/, because: 'adaptation.arthritis-hook-not-cold', says: /joint is felt/ },
  },
  'arthritis: the first warm-ups are not': {
    lifter: history('thumbArthritis', true, 'right'),
    line: warmUp,
    calls: 'double overhand',
  },
  'arthritis: volume without the thumb, as the joint feels': {
    lifter: history('thumbArthritis', true, 'right'),
    line: { role: 'volume', load: 90, reps: 5 },
    ...{ calls: /^double overhand/, says: /thumb beside the fingers/ },
  },
  'arthritis, felt today: straps on the volume': {
    lifter: { ...history('thumbArthritis', true, 'right'), ...hand('right', { thumbJointPain: 1 }) },
    line: { role: 'volume', load: 90, reps: 5 },
    ...{ calls: /^straps/, because: 'safety.thumb-arthritis-straps-on-volume' },
  },

  // Straining.
  'blood pressure not cleared: nothing above four fifths of the max, and the lighter load': {
    lifter: history('bloodPressure', false),
    line: { load: 160, max: 180 },
    ...{ calls: 'only lighter', because: 'safety.no-maximal-efforts', lighter: 144 },
  },
  'blood pressure: the squat likewise': {
    lifter: history('bloodPressure', false),
    line: { lift: 'squat', load: 150, max: 180 },
    ...{ calls: 'only lighter', verdict: 'stop', lighter: 144 },
  },
  'pregnancy: four fifths of the max is called, with the breath let go': {
    lifter: history('pregnancy', false),
    line: { load: 140, max: 180, role: 'volume', reps: 1 },
    ...{ calls: /hook|mixed|double/, says: /breath is not held/ },
  },
  'blood pressure, cleared: as written': {
    lifter: history('bloodPressure', true),
    line: { load: 165, max: 180 },
    ten: 120,
    calls: /^hook/,
  },
  'under 18: a heavy single is called': {
    lifter: history('underEighteen', false),
    line: { load: 165, max: 180 },
    ten: 120,
    calls: /^hook/,
  },
  'under 18: no near-limit hold': {
    lifter: history('underEighteen', false),
    ten: 120,
    line: { lift: 'hold.front-rack', load: 170, role: 'accessory', seconds: 10 },
    ...{ calls: 'only lighter', because: 'safety.no-near-limit-holds' },
  },
  'elbow pain of 4: no near-limit hold': {
    lifter: hand('left', { elbowPain: 4 }),
    ten: 120,
    line: { lift: 'hold.front-rack', load: 170, role: 'accessory', seconds: 10 },
    ...{ calls: 'only lighter', because: 'safety.elbow-pain-no-near-limit' },
  },
  'elbow pain of 4: opening work stays': {
    lifter: hand('left', { elbowPain: 4 }),
    line: { lift: 'band-opening', load: 1, reps: 20, role: 'accessory' },
    calls: 'no grip call',
  },

  // First day.
  'no log: a warm-up is double overhand': {
    ten: null,
    lifter: { hookStage: 'none' },
    line: { role: 'warmup', load: 108, reps: 2 },
    calls: /^double overhand/,
  },
  'no log: a heavy single keeps the school’s practice, not known yet': {
    school: 'same-grip',
    ten: null,
    lifter: { hookStage: 'none' },
    line: { load: 162 },
    ...{ calls: /^mixed/, verdict: 'unproven', because: 'evidence.not-known-yet' },
  },
  'no log: the last resort is not reached on a guess': {
    school: 'same-grip',
    ten: null,
    lifter: { hookStage: 'none' },
    line: { role: 'volume', load: 135, reps: 5 },
    ...{ calls: /^mixed/, verdict: 'unproven' },
  },

  // Sides.
  'top sets keep the practised side': {
    school: 'same-grip',
    lifter: { practisedUnder: 'right' },
    under: ['right', 'right', 'right'],
    line: { load: 120 },
    ...{ calls: /right under/, because: 'ledger.practised-side' },
  },
  'back-offs even the ledger out': {
    school: 'same-grip',
    lifter: { practisedUnder: 'right' },
    under: ['right', 'right', 'right'],
    line: { role: 'backoff', load: 110, reps: 3 },
    ...{ calls: /left under/, because: 'ledger.next-side' },
  },
  'who never alternates does not on light sets either': {
    school: 'same-grip',
    lifter: { practisedUnder: 'right', alternation: 'never' },
    under: ['right', 'right', 'right'],
    line: { role: 'backoff', load: 110, reps: 3 },
    calls: /right under/,
  },
  'who always alternates does on top sets, not on the platform': {
    school: 'same-grip',
    lifter: { practisedUnder: 'right', alternation: 'always', hookStage: 'none' },
    under: ['right'],
    line: { load: 120 },
    calls: /left under/,
  },
  'nobody has said the side: the usual start': {
    school: 'same-grip',
    line: { load: 120 },
    ...{ calls: /left under/, because: 'ledger.practised-side' },
  },

  // Straps.
  'a max single is pulled bare': {
    school: 'strap-the-volume',
    line: { load: 180, max: 180 },
    ten: 100,
    ...{ calls: /^hook/, because: 'adaptation.max-single-bare' },
  },
  'shrugs above the max are strapped': {
    school: 'strap-the-volume',
    line: { lift: 'shrug', load: 190, reps: 3 },
    calls: /^straps/,
  },
  'a carry is not strapped': {
    school: 'strongman',
    lifter: { nextEventStraps: true },
    line: { lift: 'carry.handles', load: 120, role: 'volume', seconds: 30 },
    ...{ calls: /^double overhand/, because: 'lift.no-straps-on-grip-work' },
  },
  'a row that is there for the grip is not strapped': {
    school: 'strap-the-volume',
    line: { lift: 'row.barbell', load: 80, reps: 8, role: 'accessory', purpose: 'grip' },
    calls: /^double overhand/,
  },
  'a row that is there for the back is': {
    school: 'strap-the-volume',
    line: { lift: 'row.barbell', load: 60, reps: 4, role: 'accessory', purpose: 'back' },
    calls: /^straps/,
  },
  'a weightlifter’s rows are strapped': {
    school: 'weightlifting',
    line: { lift: 'row.barbell', load: 70, reps: 4, role: 'accessory' },
    calls: /^straps/,
  },
  'a stiff novice who clenches is strapped on snatches from the floor': {
    school: 'weightlifting',
    lifter: { clenches: true, trainingMonths: 6 },
    line: { lift: 'snatch', load: 50, reps: 3, role: 'volume' },
    calls: /^straps, quick-release/,
  },
  'a week full of carries straps the strongman’s pulls': {
    school: 'strongman',
    lifter: { gripWorkHigh: true },
    line: { role: 'volume', load: 120, reps: 5 },
    ...{ calls: /^straps/, because: 'school.strongman.straps-in-full-weeks' },
  },
  'arms that bend under mixed grip: not mixed': {
    school: 'same-grip',
    lifter: { armsBendUnderMixed: true },
    line: { load: 130 },
    ...{ calls: /^hook/, because: 'adaptation.mixed-waits-for-long-arms' },
  },

  'the line fixes the grip': {
    line: { role: 'backoff', load: 100, reps: 5, fixed: 'mixed', under: 'right' },
    ...{ calls: /^mixed, right under/, because: 'line.fixed' },
  },
  'the line asks for a hook on torn thumb skin: refused': {
    lifter: hand('left', { thumb: 'torn' }),
    line: { load: 100, fixed: 'hook' },
    ...{ calls: /^double overhand/, because: 'safety.damaged-thumb-no-hook' },
  },
  'a row with a thick handle is there for the grip': {
    school: 'strap-the-volume',
    line: { lift: 'row.dumbbell', load: 25, reps: 8, role: 'accessory', handle: 'thick' },
    ...{ calls: /^double overhand/, because: 'lift.no-straps-on-grip-work' },
  },
  'the line keeps the straps off': {
    school: 'strap-the-volume',
    line: { ...backOff, load: 100, fixed: 'bare' },
    calls: /^double overhand/,
  },
  'pull-ups of a body nobody has weighed': {
    line: { lift: 'pull-up', load: 0, reps: 6, role: 'accessory' },
    ...{ calls: /^double overhand/, because: 'evidence.body-mass-assumed' },
  },
  'a band weighs nothing': {
    line: { lift: 'band-opening', load: 0, reps: 20, role: 'accessory' },
    calls: 'no grip call',
  },

  // Hook stages.
  'learning: the lighter warm-ups are hooked in every school': {
    school: 'same-grip',
    lifter: { hookStage: 'learn' },
    line: warmUp,
    ...{ calls: /^hook/, because: 'adaptation.hook-practice' },
  },
  'learning: the heavier warm-ups are not': {
    school: 'same-grip',
    lifter: { hookStage: 'learn' },
    line: { role: 'warmup', load: 125, reps: 1 },
    calls: /^(double overhand|mixed)/,
  },
  'building: one light back-off is hooked': {
    school: 'same-grip',
    lifter: { hookStage: 'build' },
    line: { ...backOff, reps: 3 },
    calls: /^hook/,
  },
  'building: the second is not': {
    school: 'same-grip',
    lifter: { hookStage: 'build' },
    line: { ...backOff, reps: 3, hookedBefore: 1 },
    calls: /^mixed/,
  },
  'carrying: two top sets are hooked, the third is not': {
    school: 'same-grip',
    lifter: { hookStage: 'carry' },
    line: { load: 130, hookedBefore: 2 },
    calls: /^mixed/,
  },
  'the week’s skin budget is spent': {
    school: 'hook-committed',
    lifter: { hookBudgetLeft: 100 },
    line: { load: 130 },
    ...{ calls: /^mixed/, because: 'adaptation.hook-skin-budget' },
  },
  'two fingers on the thumb': {
    school: 'hook-committed',
    lifter: { thumbFingers: 2 },
    line: { load: 130 },
    ...{ calls: /^hook/, says: /some of the third/ },
  },

  // Events, houses, chalk.
  'the event allows straps: they are used': {
    school: 'strongman',
    event: strongmanEvent,
    line: { role: 'attempt', load: 200 },
    ...{ calls: /^straps, figure-eight/, because: 'event.straps-always-used' },
  },
  'powerlifting: none on the platform': {
    school: 'strap-the-volume',
    event: meet,
    line: { role: 'attempt', load: 170 },
    ...{ calls: /^hook/, because: 'event.straps-barred' },
  },
  'a dry back gets no chalk for the squat': { line: { lift: 'squat', load: 140 }, calls: 'no grip call' },
  'heat: the squat is chalked': {
    sweat: true,
    line: { lift: 'squat', load: 140 },
    ...{ calls: 'no grip call', says: /Back chalked/ },
  },
  'a house without chalk': {
    venue: { name: 'Hotel', chalk: 'none', barDiameter: 28.5 },
    line: { load: 120 },
    ...{ calls: /^(?!.*chalk)/, says: /dry hands and bar/ },
  },
};

const curves = new Map<number | null, CallContext['curve']>();
function curveFor(ten: number | null): CallContext['curve'] {
  const best = observeBestPull({ load: 180, pulled: 'mixed', sport: 'powerlifting' })!;
  const curve =
    curves.get(ten) ?? (ten === null ? fitHoldCurve([best], { referenceLoad: 126 }) : curveAround(ten));
  curves.set(ten, curve);
  return curve;
}

function callCase({ lifter: more, ten = 150, line, under = [], school, event, sweat, venue }: Case): SetCall {
  return callSet(
    context({
      ...(school && { school }),
      ...(event && { event }),
      ...(sweat && { sweat }),
      ...(venue && { venue }),
      lifter: lifter(more),
      curve: curveFor(ten),
      ledger: mixedLedger(under.map((sideUnder) => ({ sideUnder, reps: 3, load: 120, seconds: 12 }))),
      set: set(line),
    }),
  );
}

describe('the case book', () => {
  it.each(Object.entries(BOOK))('%s', (_name, each) => {
    const call = callCase(each);
    if (typeof each.calls === 'string') expect(sayCall(call)).toBe(each.calls);
    else expect(sayCall(call)).toMatch(each.calls);
    if (each.verdict) expect(call.verdict).toBe(each.verdict);
    // No reason is given twice.
    const said = call.reasons.map(({ ruleId, text }) => `${ruleId}: ${text}`);
    expect(said).toEqual([...new Set(said)]);
    if (each.because) expect(call.reasons.map((reason) => reason.ruleId)).toContain(each.because);
    if (each.says) expect([...call.cautions, ...call.cues].join(' ')).toMatch(each.says);
    if (each.lighter) expect(call.lighterLoad).toBeCloseTo(each.lighter, 6);
  });

  it('has at least sixty cases', () => expect(Object.keys(BOOK).length).toBeGreaterThanOrEqual(60));
});

describe('a session keeps count of what its own calls use up', () => {
  const sides = (alternation: CallLifter['alternation']): (Side | undefined)[] =>
    callSession({
      ...context({ school: 'same-grip', curve: curveFor(150) }),
      lifter: lifter({ practisedUnder: 'left', ...(alternation && { alternation }) }),
      sets: [0, 1, 2, 3].map(() => set({ ...backOff, reps: 3 })),
    }).map((call) => call.sideUnder);

  it('alternates session by session, or set by set', () => {
    expect(new Set(sides('lightBySession')).size).toBe(1);
    expect(sides('lightBySet')).toEqual(['left', 'right', 'left', 'right']);
    expect(sides('never')).toEqual(['left', 'left', 'left', 'left']);
  });

  it('hooks two top sets of a stage that carries two, and no more than the skin budget holds', () => {
    const choices = (more: Partial<CallLifter>): (string | null)[] =>
      callSession({
        ...context({ school: 'hook-committed', curve: curveFor(150) }),
        lifter: lifter(more),
        sets: [0, 1, 2].map(() => set({ load: 120 })),
      }).map((call) => call.choice);
    expect(choices({ hookStage: 'carry' })).toEqual(['hook', 'hook', 'mixed']);
    expect(choices({ hookBudgetLeft: 700 })).toEqual(['hook', 'mixed', 'mixed']);
  });

  it('keeps the last set of strapped work bare where the school says so', () => {
    const { school } = context({ school: 'strap-the-volume' });
    const calls = callSession({
      ...context({ curve: curveFor(150) }),
      school: { ...school, lastSetBare: true },
      sets: [false, true].map((lastOfLine) => set({ ...backOff, load: 100, lastOfLine })),
    });
    expect(calls.map((call) => call.choice)).toEqual(['straps', 'doubleOverhand']);
  });
});
