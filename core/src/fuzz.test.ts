import fc from 'fast-check';
import * as core from './index.ts';
import { EXAMPLE_SCOPE } from './public-functions.test-helper.ts';

const { curve, lifter, venue } = EXAMPLE_SCOPE;
const moving = core.fitMovingCurve([{ load: 150, seconds: 12, ended: 'slipped', ageDays: 40 }], {
  referenceLoad: 140,
});
const school = core.findSchool('strap-the-volume')!;
const ledger = core.mixedLedger([]);
const deadlift = core.findLift('deadlift.conventional')!;
const slippedSet = {
  ...{ liftId: 'deadlift.conventional', load: 140, reps: 2, style: 'reset', seconds: null },
  ...{ grip: 'mixed', strapped: false, chalk: 'block', diameter: 29, slippedAtRep: 1 },
};
const loggedHold = {
  ...{ liftId: 'hold.front-rack', load: 120, seconds: 12, ended: 'stopped', grip: 'hook' },
  ...{ chalk: 'block', diameter: 29, place: 0 },
};
const plates: core.PlatePairs[] = [
  { mass: 20, unit: 'kg', pairs: 4 },
  { mass: 2.5, unit: 'kg', pairs: 1 },
];
const noBackTest = core.addBackTests([]);
const ladder = core.fitGripperLadder([]);
const protocol: core.SqueezeProtocol = {
  handle: 2,
  elbow: 90,
  posture: 'seated',
  handOrder: 'leftFirst',
  trials: 2,
  rest: 60,
};
const squeeze = (on: string): core.SqueezeTest => ({
  on,
  protocol,
  trials: [
    { hand: 'left', force: 50 },
    { hand: 'left', force: 52 },
    { hand: 'right', force: 55 },
  ],
});
const trace = {
  times: Array.from({ length: 160 }, (_, i) => i / 80),
  forces: Array.from({ length: 160 }, (_, i) => (i < 40 ? 1 : 41)),
};
const context: Omit<core.CallContext, 'set'> = {
  lifter: { ...lifter, flags: [{ kind: 'shoulder', side: 'left', cleared: true }] },
  school,
  venue: { ...venue, straps: ['loop'] },
  event: { name: 'Harbour Open', straps: false, thumbTape: true, liquidChalk: true },
  curve,
  ledger,
};
const set: core.SetToCall = { lift: deadlift, role: 'top', load: 160, reps: 1, style: 'reset', seconds: 6 };
const audit = {
  observations: [{ load: 100, seconds: 6, ended: 'stopped', grip: 'hook' }],
  fit: { referenceLoad: 105 },
  grips: ['doubleOverhand', 'hook'],
  kit: { bar: 20, collars: 0, plates },
  chalk: 'block',
  diameter: 28.5,
  pull: 'deadlift.conventional',
  rack: true,
  mostSlip: 0.25,
  done: 1,
};
const work = {
  today: '2026-11-22',
  items: [{ on: '2026-11-20', lift: 'hold.front-rack', sets: 2, reps: 1, seconds: 10, load: 126 }],
  curves: { support: curve },
};
const week: core.GripWeek = {
  events: [
    { kind: 'hardHold', at: '2026-11-23T18:00Z', session: 'mon' },
    { kind: 'heavyBarePull', at: '2026-11-24T18:00Z', session: 'tue' },
  ],
  meetOn: '2026-12-20',
};

/** Sound arguments for every public function. */
const SOUND: Record<string, unknown[]> = {
  handReminders: [{ hands: lifter.hands, hookStage: 'learn', skinSpent: 0.9 }],
  easeHold: [
    { load: 100, seconds: 10, probability: 0.7, why: [] },
    { share: 0.9, reason: { ruleId: 'squeeze.sustained-drop', rank: 'evidence', text: 'Down.' } },
    { bar: 20, collars: 0, plates },
  ],
  curveOverTime: [moving, [60, 0]],
  curveOn: [moving, 12],
  levelChange: [moving, 30, 10],
  driftAsShare: [moving],
  blockDrift: [moving, 30, 10],
  poolBlockDrifts: [[{ perWeek: 0.01, variance: 1e-4 }]],
  backTest: [
    [{ load: 140, seconds: 9, ended: 'slipped', ageDays: 20 }],
    [{ load: 120, seconds: 10, held: true, lasted: 10, slipped: false, ageDays: 3 }],
    { referenceLoad: 126 },
    8,
  ],
  addBackTests: [[noBackTest]],
  readBackTest: [noBackTest],
  trialsOfLog: [{ sets: [], holds: [{ ...loggedHold, target: 15 }], bodyMass: 80 }, 'support'],
  checkMovingCurve: [moving],
  fitMovingCurve: [
    [
      { load: 140, seconds: 9, ended: 'slipped', grip: 'hook', ageDays: 3 },
      { load: 120, seconds: 20, ended: 'stopped', ageDays: 0 },
    ],
    { referenceLoad: 126, underWay: true, scales: moving.fit.scales },
  ],
  readTraceCsv: ['time (s);force (N)\n0;1\n0,1;98', { force: 'kgf', time: 's', rate: 80 }],
  compareAtSameLoad: [
    [
      {
        on: '2026-11-14',
        lift: 'squat',
        load: 150,
        reps: 1,
        seconds: 8,
        grip: 'hook',
        strapped: false,
        slipped: true,
        pain: 2,
      },
      {
        on: '2026-11-21',
        lift: 'squat',
        load: 150,
        reps: 1,
        seconds: 9,
        grip: 'hook',
        strapped: false,
        slipped: true,
      },
    ],
    '2026-11-22',
  ],
  topAndBackOff: [
    [{ on: '2026-11-01', topGrip: 'hook', topSlipped: true, backOffGrip: 'straps', backOffSlipped: false }],
  ],
  squeezeAgainstHold: [[50, 52, 54, 53, 57, 56].map((squeeze, i) => ({ squeeze, tenSecondLoad: 100 + i }))],
  findAttention: [
    {
      hands: lifter.hands,
      slips: { recent: 4, recentSets: 10, before: 1, beforeSets: 10 },
      daysSinceTest: 60,
      tests: true,
      squeezeDown: ['left'],
      closingToOpening: 12,
      meet: { name: 'Open', days: 20, third: { load: 200, chance: 0.8, asked: 0.98 } },
      uncleared: ['shoulder'],
    },
  ],
  isBarLift: ['deadlift.conventional'],
  shareRange: [8, 20],
  chanceWorthMore: [curve, 'hook', 'mixed'],
  checkSchool: [school],
  brushing: [120, 150],
  writeTable: [
    [
      ['lifter', 'load (kg)'],
      ['Ana', 182.5],
    ],
  ],
  readTable: ['Date;Lift\n1.2.2026;Deadlift'],
  liftOfWords: ['RDL'],
  gripOfWords: ['hook'],
  chalkOfWords: ['liquid'],
  yesOfWords: ['x'],
  unitOfWords: ['Weight (lbs)'],
  guessColumns: [['Date', 'Lift', 'kg', 'Reps'], 'training'],
  readGripperRows: [
    {
      head: ['Date', 'Gripper', 'Hand'],
      rows: [{ line: 2, cells: ['2026-03-01', 'Iron 2', 'left'] }],
      width: 3,
    },
    { columns: { day: 0, gripper: 1, hand: 2 }, order: 'dayFirst', today: '2026-11-24' },
  ],
  readSqueezeRows: [
    { head: ['Date', 'Hand', 'Force'], rows: [{ line: 2, cells: ['2026-03-01', 'left', '52'] }], width: 3 },
    { columns: { day: 0, hand: 1, force: 2 }, order: 'dayFirst', today: '2026-11-24' },
  ],
  readLifterRows: [
    { head: ['Name', 'Max'], rows: [{ line: 2, cells: ['Ana Lind', '180'] }], width: 2 },
    { columns: { lifter: 0, best: 1 }, unit: 'kg' },
  ],
  dayHabitOf: [['3/4/2026', '3/14/2026']],
  readDayCell: ['3.4.2026', 'dayFirst'],
  readTrainingRows: [
    {
      head: ['Date', 'Lift', 'kg', 'Reps'],
      rows: [{ line: 2, cells: ['2026-03-01', 'Deadlift', '180', '1'] }],
      width: 4,
    },
    {
      ...{ columns: { day: 0, lift: 1, load: 2, reps: 3 }, unit: 'kg', order: 'dayFirst', noGrip: 'hook' },
      today: '2026-11-24',
    },
  ],
  rolesOfLoads: [[100, 140, 160, 130]],
  readLifterLines: ['Ana Lind 182,5\nBo; 400 lb', 'kg'],
  venueFromPreset: ['garage', { name: 'Home', unit: 'kg', newId: () => 'a' }],
  checkVenueKit: [
    {
      name: 'Shed',
      chalk: 'block',
      note: 'damp',
      straps: ['loop'],
      has: ['rack'],
      bars: [{ id: 'a', name: 'Bar', mass: 20, diameter: 29, collars: 5, knurl: 'medium', brushEvery: 150 }],
      plates,
      handles: [{ id: 'h', name: 'Thick', diameter: 60, mass: 5 }],
      grippers: [{ id: 'g', name: 'Grey', resistance: 40 }],
      racks: [{ id: 'r', name: 'Rack', pinHeights: [500, 550] }],
      dynamometers: [{ id: 'd', name: 'Hand', settings: [{ name: '2', span: 48 }] }],
    },
  ],
  planFaults: [
    [{ lift: 'deadlift.conventional', role: 'top', load: 200 }],
    { name: 'Hotel', bar: 20, collars: 5, plates, has: ['rack'] },
  ],
  profileConflicts: [
    {
      sport: 'powerlifting',
      stance: 'sumo',
      largeThighs: true,
      trainingMonths: 60,
      hookStage: 'none',
      history: [{ kind: 'shoulder', side: 'left', cleared: true }],
      school,
      nextEventStraps: false,
    },
  ],
  toKg: [45, 'lb'],
  fromKg: [20, 'lb'],
  formatMass: [172.5, 'kg'],
  otherSide: ['left'],
  holdsNear: [curve, { load: 150, grip: 'hook' }],
  observeBestPull: [
    { load: 180, pulled: 'mixed', sport: 'powerlifting', chalk: 'block', ageDays: 3, heaviestLogged: 170 },
  ],
  isGripCaution: ['Thumb joint: stop the hook as soon as the joint is felt.'],
  countDays: [3],
  untilDay: [3],
  usualHookStage: [{ sport: 'powerlifting', pulled: 'hook' }],
  stopToday: [lifter.hands],
  sayStanding: [{ verdict: 'weak', near: 12, threshold: 0.95, probability: 0.7 }],
  cluesOf: [['sweat', 'doubt']],
  isGripWeekFull: [[{ on: '2026-11-24', liftId: 'carry.handles' }], '2026-11-26'],
  fitHoldCurve: [
    [
      { load: 140, seconds: 9, ended: 'slipped', grip: 'hook', chalk: 'none', ageDays: 3, weight: 1 },
      { load: 120, seconds: 20, ended: 'stopped', diameter: 32, earlierHolds: 1, position: 'behindBack' },
      { load: 150, seconds: 5, ended: 'slipped', within: [3, 7], hand: 'left', times: 2 },
    ],
    { referenceLoad: 126, prior: 'default', family: 'support' },
  ],
  deadliftMaxFrom: [{ heavySet: { load: 150, reps: 3 } }],
  referenceLoadFrom: [{ deadliftMax: 180, heavySet: { load: 150, reps: 3 } }, 'support'],
  holdProbability: [
    curve,
    { load: 126, seconds: 10, grip: 'hook', chalk: 'none', diameter: 32, earlierHolds: 1 },
  ],
  holdProbabilityRange: [curve, { load: 126, seconds: 10 }],
  holdLoad: [curve, { seconds: 10, probability: 0.9, position: 'supinated' }],
  holdSeconds: [curve, { load: 126, probability: 0.9 }],
  medianLoad: [curve, { seconds: 10, hand: 'left' }],
  worthOf: [curve, 'hook'],
  findLift: ['clean'],
  liftOf: ['clean'],
  setDemand: [{ lift: 'hang.dead', reps: 3, style: 'touchAndGo', load: 20, bodyMass: 80 }],
  writtenLoad: ['hang.dead', 200, 80],
  observeSet: [
    {
      lift: 'deadlift.conventional',
      load: 200,
      reps: 5,
      grip: 'hook',
      strapped: false,
      slippedAtRep: 3,
      ageDays: 1,
    },
  ],
  gripCeilings: [curve, { lift: 'deadlift.conventional', reps: [1, 5], probability: 0.95, style: 'reset' }],
  mixedLedger: [[{ sideUnder: 'left', reps: 1, load: 180, seconds: 5 }]],
  nextSideUnder: [ledger, 'right'],
  nextHookStage: ['learn', [{ on: '2026-11-20', pain: 2, skin: 'sound', slipped: false }]],
  skinBudget: ['learn', 180, [{ load: 60, seconds: 5 }]],
  handsOn: [[{ on: '2026-11-20', hands: lifter.hands }], '2026-11-22'],
  findSchool: ['bare-hands'],
  callSet: [
    { ...context, set, override: { choice: 'mixed', sideUnder: 'left', reason: 'meet', by: 'Maren' } },
  ],
  callAgain: [
    {
      session: { ...(({ curve: _curve, ...rest }) => rest)(context), sets: [set] },
      observations: [{ load: 140, seconds: 9, ended: 'slipped', grip: 'hook' }],
      fit: { referenceLoad: 126 },
      done: [slippedSet],
      holds: [loggedHold],
      bodyMass: 90,
    },
  ],
  slipsOf: [[slippedSet]],
  observeLog: [{ sets: [slippedSet], holds: [loggedHold], bodyMass: 90 }, 'support'],
  closedOn: ['carry.handles', 29],
  handWords: [core.SOUND_HAND],
  sayHands: [{ left: core.SOUND_HAND, right: core.SOUND_HAND }, true],
  changeHold: [
    {
      kind: 'frontRackHold',
      curve,
      lifter,
      venue,
      school,
      ledger,
      history: [],
      equipment: { bar: 20, collars: 5, plates },
    },
    { load: 120, seconds: 12, sets: 2 },
  ],
  sameCall: [core.callSet({ ...context, set }), core.callSet({ ...context, set })],
  whyChanged: [core.callSet({ ...context, set }), core.callSet({ ...context, set })],
  callSession: [{ ...context, sets: [set, { ...set, lift: core.findLift('hold.front-rack')! }] }],
  sayCall: [core.callSet({ ...context, set })],
  prescribeHold: [
    {
      kind: 'frontRackHold',
      curve,
      lifter,
      venue,
      school,
      ledger,
      history: [{ load: 140, grip: 'hook', target: 10, sets: [{ seconds: 10, ended: 'stopped' }] }],
      equipment: { bar: 20, collars: 5, plates },
      meet: { daysAway: 20 },
      timing: { hoursSinceHardHold: 60 },
    },
  ],
  checkGripWeek: [week],
  nextHardHoldDay: [week, '2026-11-24', '18:00Z'],
  forearmLoad: ['wrist-curl.behind-back', 160, { lift: 'wrist-curl.behind-back', load: 24, reached: true }],
  isHardEffort: [curve, { load: 100, seconds: 8, ended: 'stopped', grip: 'hook' }],
  strapsOffOn: [
    [
      { on: '2026-11-02', strapped: true },
      { on: '2026-11-09', strapped: false },
    ],
    '2026-11-13',
  ],
  blockReport: [
    {
      today: '2026-11-26',
      startsOn: '2026-10-05',
      endsOn: '2026-11-01',
      moving,
      heavySets: [{ on: '2026-10-20', slipped: true, confidence: 3 }],
    },
  ],
  mayCarryNothing: ['hang.dead'],
  nextAuditStep: [audit],
  auditFindings: [audit],
  gripWork: [work],
  gripWorkByWeek: [work, 3],
  proposeHoldBlock: [
    {
      today: '2026-11-23',
      school,
      heavySets: { done: 10, slipped: 2 },
      confidence: [3, 2, 2],
      meetOn: '2026-12-20',
      lastBlockEndedOn: '2026-09-01',
    },
  ],
  planForearmWeek: [
    {
      days: [{ on: '2026-11-23', session: 'pull', heavyPullNextDay: false }],
      kit: ['band', 'lever'],
      planned: [{ lift: 'row.barbell', sets: 4 }],
      elbowPain: 2,
    },
  ],
  forearmLine: [{ lift: 'band-opening', name: 'Band opening', sets: 3, reps: 15, covers: [] }, 'kg'],
  holdLift: ['deadHang'],
  maxOfLift: ['clean-pull', { deadliftMax: 200, bests: [{ liftId: 'clean', load: 110 }] }],
  parseSetLine: ['ramp top 3x5 @ 75% touch', { deadliftMax: 200, unit: 'kg', lift: 'deadlift.conventional' }],
  lineFor: [
    'top 1x1 @ 180kg',
    { deadliftMax: 200, unit: 'kg', lift: 'deadlift.conventional' },
    { deadliftMax: 150 },
  ],
  planLineFor: [
    'top 1x1 @ 180kg',
    { deadliftMax: 200, unit: 'kg', lift: 'deadlift.conventional' },
    { deadliftMax: 150 },
  ],
  lineAsShare: ['top 1x1 @ 180kg', { deadliftMax: 200, unit: 'kg', lift: 'deadlift.conventional' }],
  writeSetLines: [[{ role: 'top', load: 172.5, reps: 1, style: 'reset' }], 'kg'],
  sayLoad: [49.98, 'lb', 'kg'],
  unitOfPlates: [[{ total: 49.98, perSide: [{ mass: 25, unit: 'lb' }] }]],
  unitAtHand: [[{ total: 49.98, perSide: [{ mass: 25, unit: 'lb' }] }], 'kg'],
  loadBar: [{ target: 142.5, bar: 20, collars: 5, plates }],
  loadRamp: [{ targets: [60, 100], bar: 20, collars: 5, plates }],
  fitGripperLadder: [
    [{ hand: 'left', resistance: 54, depth: 'open', closed: true, gapMm: 0, ageDays: 2 }],
    { prior: 'default' },
  ],
  closeProbability: [ladder, { hand: 'left', resistance: 50, depth: 'deep' }],
  closeProbabilityRange: [ladder, { hand: 'left', resistance: 50 }],
  halfChanceResistance: [ladder, 'left', 'open'],
  gripperPlan: [
    {
      ladder,
      hand: 'left',
      lifter,
      grippers: [
        { id: 'a', name: 'A', resistance: 27 },
        { id: 'b', name: 'B', resistance: null },
      ],
    },
  ],
  typicalError: [
    [
      [50, 52],
      [48, 47],
      [51, 51],
    ],
  ],
  minimalDetectableChange: [2],
  intraclassCorrelation: [
    [
      [50, 52],
      [48, 47],
      [51, 51],
    ],
    0.8,
  ],
  squeezeScores: [squeeze('2026-11-20')],
  sameProtocol: [protocol, protocol],
  squeezeAsymmetry: [50, 45, 1],
  readSqueeze: [
    { today: squeeze('2026-11-20'), earlier: [squeeze('2026-11-10'), squeeze('2026-11-01')], score: 'best' },
  ],
  cleanTrace: [trace],
  analyseTrace: [trace],
  repeatedContractions: [trace, { count: 2, on: 1, off: 1 }],
  rankSlipCauses: [
    [
      {
        lift: 'deadlift.conventional',
        role: 'top',
        reps: 3,
        slippedAtRep: 2,
        grip: 'hook',
        confidence: 2,
        thumbFingers: 2,
      },
    ],
  ],
  usualMistakes: [
    {
      today: '2026-11-25',
      deadliftMax: 180,
      hookStage: 'carry',
      sets: [
        {
          on: '2026-11-24',
          session: 'tue',
          lift: 'deadlift.conventional',
          role: 'top',
          load: 160,
          reps: 1,
          grip: 'mixed',
          strapped: false,
        },
      ],
    },
  ],
};

/** What nobody should hand in, and what sits at the edge. */
const JUNK: readonly unknown[] = [
  undefined,
  null,
  Number.NaN,
  Infinity,
  -Infinity,
  0,
  -0,
  -1,
  1e-300,
  1e-9,
  0.5,
  3,
  1e6,
  1e308,
  '',
  'x',
  '2026-02-30',
  '1e3',
  true,
  [],
  [null],
  [Number.NaN],
  {},
  { kind: 'x' },
  () => 1,
  Symbol.iterator,
  10n,
];

type Path = readonly (string | number)[];

/** Every place in a value, itself first. */
function places(value: unknown, at: Path = [], depth = 0): Path[] {
  if (typeof value !== 'object' || value === null || depth > 6) return [at];
  return [at, ...Object.entries(value).flatMap(([key, each]) => places(each, [...at, key], depth + 1))];
}

/** The value with another one at a place. */
function replaced(value: unknown, [key, ...rest]: Path, junk: unknown): unknown {
  if (key === undefined) return junk;
  if (Array.isArray(value))
    return value.map((each, i) => (String(i) === String(key) ? replaced(each, rest, junk) : each));
  if (typeof value !== 'object' || value === null) return value;
  return { ...value, [key]: replaced((value as Record<string, unknown>)[key], rest, junk) };
}

/** The first place where a result holds a number that is none. */
function notANumber(value: unknown, at = 'result', depth = 0): string | undefined {
  if (typeof value === 'number') return Number.isFinite(value) ? undefined : `${at} is ${value}`;
  if (typeof value === 'string')
    return /\bNaN\b|undefined|Infinity/.test(value) ? `${at} says ${value}` : undefined;
  if (typeof value !== 'object' || value === null || depth > 8) return undefined;
  for (const [key, each] of Object.entries(value)) {
    const found = notANumber(each, `${at}.${key}`, depth + 1);
    if (found) return found;
  }
  return undefined;
}

const FUNCTIONS = Object.entries(core)
  .filter(([, value]) => typeof value === 'function' && value !== core.InvalidInputError)
  .map(([name]) => name);

it('covers every public function', () => {
  expect(Object.keys(SOUND).sort()).toEqual([...FUNCTIONS].sort());
});

describe.each(FUNCTIONS)('%s', (name) => {
  const call = (core as unknown as Record<string, (...args: unknown[]) => unknown>)[name]!;
  const sound = SOUND[name]!;

  it('answers sound input', () => {
    expect(notANumber(call(...sound))).toBeUndefined();
  });

  it('answers any other with a typed error that names the field and what is allowed, or with figures that are numbers', () => {
    const whole = places(sound).filter((path) => path.length > 0);
    const spoilt = fc.array(fc.tuple(fc.constantFrom(...whole), fc.constantFrom(...JUNK)), {
      minLength: 1,
      maxLength: 2,
    });
    fc.assert(
      fc.property(spoilt, (changes) => {
        const args = changes.reduce<unknown>(
          (made, [path, junk]) => replaced(made, path, junk),
          sound,
        ) as unknown[];
        let result: unknown;
        try {
          result = call(...args);
        } catch (error) {
          // Said by hand: tens of thousands of expectations cost more than all the functions that are asked.
          if (!(error instanceof core.InvalidInputError)) throw error;
          const { field, allowed, message } = error;
          if (field === '' || allowed === '' || !message.includes(allowed))
            throw new Error(`It says neither where nor what is allowed: ${message}`, { cause: error });
          return;
        }
        const wrong = notANumber(result);
        if (wrong) throw new Error(wrong);
      }),
      { numRuns: Math.min(500, Math.max(150, whole.length * 3)) },
    );
  });
});
