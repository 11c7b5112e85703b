import {
  SOUND_HAND,
  type ChalkKind,
  type GripChoice,
  type HandsToday,
  type HistoryFlag,
  type HookStage,
  type MassUnit,
  type SetRole,
  type Side,
} from '@iron-clasp/core';

export const DEMO_CLUB = 'Tarn Quay Barbell';
export const DEMO_COACH = { email: 'maren@tarnquay.example', password: 'rope-works-26' } as const;
export const DEMO_COACH_NAME = 'Maren Solvik';

/** What no one in the demo knows: the true hands behind the simulated logs. See README.md beside this file. */
export interface HiddenTruth {
  readonly tenSecondShare: number;
  readonly growth: number;
  readonly slope: number;
  readonly scatter: number;
  readonly mixed: number;
  readonly hook: number;
  readonly noChalk: number;
}

/** Grips a lifter has been using by role; several are taken in turn, week by week. */
export type Habits = Readonly<Record<Exclude<SetRole, 'attempt'>, readonly GripChoice[]>>;

/** One lift of a training day. Shares are of the deadlift max. */
export interface PlannedLift {
  readonly lift: string;
  readonly role: 'top' | 'volume' | 'accessory';
  readonly share: number;
  readonly sets: number;
  readonly reps: number;
  /** Back-off work after the top sets. */
  readonly backoff?: { readonly share: number; readonly sets: number; readonly reps: number };
  /** s, where the lift is timed. */
  readonly seconds?: number;
}

export interface PlannedDay {
  /** 0 Monday … 6 Sunday. */
  readonly weekday: number;
  readonly title: string;
  readonly lifts: readonly PlannedLift[];
  readonly hold?: true;
  readonly venue?: string;
}

export interface DemoVenue {
  readonly name: string;
  readonly chalk: ChalkKind;
  readonly bar: {
    readonly name: string;
    readonly mass: number;
    readonly diameter: number;
    readonly collars: number;
  };
  readonly plates: readonly { readonly mass: number; readonly unit: MassUnit; readonly pairs: number }[];
}

export interface DemoLifter {
  readonly name: string;
  readonly sport: string;
  readonly unit: MassUnit;
  readonly dominantHand: Side;
  readonly stance: string;
  /** kg. */
  readonly deadliftMax: number;
  readonly trainingMonths: number;
  readonly school: string;
  readonly hookStage: HookStage;
  readonly history: readonly HistoryFlag[];
  readonly hands: HandsToday;
  /** Weeks from now. */
  readonly meet?: {
    readonly name: string;
    readonly inWeeks: number;
    readonly straps: boolean;
    readonly thumbTape: boolean;
    readonly liquidChalk: boolean;
  };
  /** Weeks from this one, both included. */
  readonly blocks: readonly {
    readonly kind: 'holdBlock' | 'test';
    readonly label: string;
    readonly from: number;
    readonly to: number;
  }[];
  readonly habits: Habits;
  readonly week: readonly PlannedDay[];
  readonly truth: HiddenTruth;
}

const kg = (mass: number, pairs: number): DemoVenue['plates'][number] => ({ mass, unit: 'kg', pairs });
const lb = (mass: number, pairs: number): DemoVenue['plates'][number] => ({ mass, unit: 'lb', pairs });

export const HOME = 'Rope works';
export const TRAVEL = 'Harbour hotel gym';

export const DEMO_VENUES: readonly DemoVenue[] = [
  {
    name: HOME,
    chalk: 'block',
    bar: { name: 'Power bar', mass: 20, diameter: 29, collars: 5 },
    plates: [kg(25, 6), kg(20, 2), kg(15, 2), kg(10, 2), kg(5, 2), kg(2.5, 2), kg(1.25, 2), kg(0.5, 2)],
  },
  {
    name: 'Platform room',
    chalk: 'block',
    bar: { name: 'Weightlifting bar', mass: 20, diameter: 28, collars: 5 },
    plates: [kg(25, 3), kg(20, 2), kg(15, 2), kg(10, 2), kg(5, 2), kg(2.5, 2), kg(1.25, 1), kg(0.5, 1)],
  },
  {
    name: TRAVEL,
    chalk: 'liquid',
    bar: { name: 'Hotel bar', mass: 20, diameter: 29, collars: 0.5 },
    plates: [lb(45, 4), lb(35, 1), lb(25, 2), lb(10, 2), lb(5, 2), lb(2.5, 1)],
  },
];

const top = (
  lift: string,
  share: number,
  sets: number,
  reps: number,
  backoff?: PlannedLift['backoff'],
): PlannedLift => ({
  lift,
  role: 'top',
  share,
  sets,
  reps,
  ...(backoff && { backoff }),
});
const volume = (lift: string, share: number, sets: number, reps: number): PlannedLift => ({
  lift,
  role: 'volume',
  share,
  sets,
  reps,
});
const accessory = (lift: string, share: number, sets: number, reps: number): PlannedLift => ({
  lift,
  role: 'accessory',
  share,
  sets,
  reps,
});
const carry = (lift: string, share: number, sets: number, seconds: number): PlannedLift => ({
  lift,
  role: 'accessory',
  share,
  sets,
  reps: 1,
  seconds,
});

/** A powerlifter's four days around the given deadlift. */
function powerWeek(
  deadlift: string,
  weekdays: readonly [number, number, number, number],
  venue?: string,
): PlannedDay[] {
  const place = venue ? { venue } : {};
  return [
    {
      weekday: weekdays[0],
      title: 'Deadlift, heavy',
      hold: true,
      ...place,
      lifts: [
        top(deadlift, 0.91, 2, 1, { share: 0.76, sets: 3, reps: 4 }),
        volume('row.barbell', 0.42, 4, 8),
      ],
    },
    {
      weekday: weekdays[1],
      title: 'Bench',
      ...place,
      lifts: [
        { ...top('bench', 0.5, 4, 4) },
        accessory('pull-down', 0.34, 4, 10),
        accessory('curl', 0.16, 3, 12),
      ],
    },
    {
      weekday: weekdays[2],
      title: 'Squat and pulls',
      ...place,
      lifts: [top('squat', 0.7, 4, 4), volume('romanian', 0.44, 3, 8), accessory('row.dumbbell', 0.3, 3, 10)],
    },
    {
      weekday: weekdays[3],
      title: 'Deadlift, volume',
      ...place,
      lifts: [volume(deadlift, 0.6, 4, 5), volume('press', 0.3, 4, 6), accessory('shrug', 0.46, 3, 10)],
    },
  ];
}

const BARE: Habits = {
  warmup: ['doubleOverhand'],
  top: ['mixed'],
  backoff: ['mixed'],
  volume: ['doubleOverhand'],
  accessory: ['doubleOverhand'],
};
const STRAPPED_VOLUME: Habits = { ...BARE, backoff: ['straps'], volume: ['straps'] };

const SOUND: HandsToday = { left: SOUND_HAND, right: SOUND_HAND };
const truth = (more: Partial<HiddenTruth> = {}): HiddenTruth => ({
  tenSecondShare: 0.78,
  growth: 0.06,
  slope: 3.6,
  scatter: 0.3,
  mixed: 1.22,
  hook: 1.28,
  noChalk: 0.9,
  ...more,
});

export const DEMO_LIFTERS: readonly DemoLifter[] = [
  {
    name: 'Odalys Brandt',
    sport: 'Powerlifting',
    unit: 'kg',
    dominantHand: 'right',
    stance: 'conventional',
    deadliftMax: 137.5,
    trainingMonths: 41,
    school: 'strap-the-volume',
    hookStage: 'learn',
    history: [],
    hands: {
      left: { ...SOUND_HAND, thumb: 'tender', pain: 3 },
      right: { ...SOUND_HAND, thumb: 'tender', pain: 2 },
    },
    meet: { name: 'Lantern Cup', inWeeks: 5, straps: false, thumbTape: true, liquidChalk: true },
    blocks: [
      { kind: 'holdBlock', label: 'Hold block', from: -7, to: -4 },
      { kind: 'test', label: 'Squeeze test', from: -3, to: -3 },
      { kind: 'holdBlock', label: 'Hold block into the meet', from: 0, to: 3 },
    ],
    habits: {
      ...STRAPPED_VOLUME,
      top: ['mixed', 'mixed', 'hook'],
      warmup: ['doubleOverhand', 'doubleOverhand', 'hook'],
    },
    week: powerWeek('deadlift.conventional', [1, 2, 4, 5]),
    truth: truth({ tenSecondShare: 0.74, mixed: 1.2, hook: 1.12, growth: 0.09 }),
  },
  {
    name: 'Teodor Vance',
    sport: 'Powerlifting',
    unit: 'kg',
    dominantHand: 'right',
    stance: 'sumo, large thighs',
    deadliftMax: 262.5,
    trainingMonths: 96,
    school: 'overhand-first',
    hookStage: 'settled',
    history: [],
    hands: { left: { ...SOUND_HAND, palm: 'callused' }, right: { ...SOUND_HAND, palm: 'callused' } },
    meet: { name: 'Breakwater Open', inWeeks: 10, straps: false, thumbTape: true, liquidChalk: true },
    blocks: [
      { kind: 'test', label: 'Squeeze test', from: -5, to: -5 },
      { kind: 'holdBlock', label: 'Hold block', from: -2, to: 2 },
    ],
    habits: { ...BARE, top: ['mixed', 'hook'], backoff: ['hook', 'mixed'] },
    week: powerWeek('deadlift.sumo', [0, 1, 3, 5]),
    truth: truth({ tenSecondShare: 0.73, mixed: 1.17, hook: 1.38 }),
  },
  {
    name: 'Priya Ramsland',
    sport: 'Weightlifting',
    unit: 'kg',
    dominantHand: 'right',
    stance: 'clean-grip',
    deadliftMax: 155,
    trainingMonths: 70,
    school: 'weightlifting',
    hookStage: 'settled',
    history: [],
    hands: { left: SOUND_HAND, right: { ...SOUND_HAND, thumb: 'tender', pain: 2 } },
    meet: {
      name: 'Estuary Weightlifting Open',
      inWeeks: 7,
      straps: false,
      thumbTape: true,
      liquidChalk: false,
    },
    blocks: [
      { kind: 'holdBlock', label: 'Hold block', from: -7, to: -5 },
      { kind: 'test', label: 'Squeeze test', from: -4, to: -4 },
    ],
    habits: { warmup: ['hook'], top: ['hook'], backoff: ['hook'], volume: ['straps'], accessory: ['straps'] },
    week: [
      {
        weekday: 0,
        title: 'Snatch',
        venue: 'Platform room',
        lifts: [
          top('snatch', 0.5, 5, 1, { share: 0.42, sets: 3, reps: 3 }),
          volume('snatch-pull', 0.62, 4, 3),
          top('squat', 0.75, 3, 3),
        ],
      },
      {
        weekday: 2,
        title: 'Clean',
        venue: 'Platform room',
        hold: true,
        lifts: [top('clean', 0.64, 5, 1), volume('clean-pull', 0.76, 4, 3), top('press', 0.3, 3, 5)],
      },
      {
        weekday: 3,
        title: 'Power variants',
        venue: 'Platform room',
        lifts: [
          top('power-snatch', 0.42, 4, 2),
          top('power-clean', 0.54, 4, 2),
          accessory('row.barbell', 0.4, 3, 8),
        ],
      },
      {
        weekday: 5,
        title: 'Both lifts',
        venue: 'Platform room',
        lifts: [
          top('snatch', 0.52, 4, 1),
          top('clean', 0.66, 4, 1),
          volume('deadlift.clean-grip', 0.85, 3, 3),
        ],
      },
    ],
    truth: truth({ tenSecondShare: 0.77, hook: 1.36 }),
  },
  {
    name: 'Kofi Adeyemi-Lund',
    sport: 'Strongman',
    unit: 'lb',
    dominantHand: 'right',
    stance: 'conventional',
    deadliftMax: 320,
    trainingMonths: 120,
    school: 'strongman',
    hookStage: 'none',
    history: [],
    hands: { left: { ...SOUND_HAND, palm: 'callused' }, right: { ...SOUND_HAND, palm: 'callused' } },
    meet: { name: 'Anchor Weekend', inWeeks: 9, straps: true, thumbTape: true, liquidChalk: true },
    blocks: [{ kind: 'holdBlock', label: 'Hold block', from: 1, to: 4 }],
    habits: {
      warmup: ['doubleOverhand'],
      top: ['straps', 'mixed'],
      backoff: ['straps'],
      volume: ['straps'],
      accessory: ['doubleOverhand'],
    },
    week: [
      {
        weekday: 0,
        title: 'Deadlift',
        hold: true,
        lifts: [
          top('deadlift.conventional', 0.88, 2, 2, { share: 0.72, sets: 3, reps: 5 }),
          volume('row.barbell', 0.4, 4, 8),
        ],
      },
      {
        weekday: 2,
        title: 'Press',
        lifts: [top('press', 0.36, 5, 3), accessory('pull-down', 0.3, 4, 10), accessory('curl', 0.14, 3, 12)],
      },
      {
        weekday: 4,
        title: 'Events',
        lifts: [
          carry('carry.handles', 0.5, 4, 25),
          carry('carry.frame', 0.54, 3, 20),
          top('squat', 0.6, 4, 5),
        ],
      },
      {
        weekday: 5,
        title: 'Back',
        lifts: [
          volume('romanian', 0.5, 4, 8),
          volume('rack-pull', 0.8, 3, 3),
          accessory('row.dumbbell', 0.22, 4, 10),
        ],
      },
    ],
    truth: truth({ tenSecondShare: 0.8, growth: 0.03 }),
  },
  {
    name: 'Ruth Calloway',
    sport: 'General strength',
    unit: 'lb',
    dominantHand: 'right',
    stance: 'conventional',
    deadliftMax: 112.5,
    trainingMonths: 62,
    school: 'strap-the-volume',
    hookStage: 'carry',
    history: [
      { kind: 'thumbArthritis', side: 'right', cleared: true },
      { kind: 'bloodPressure', cleared: false },
    ],
    hands: { left: SOUND_HAND, right: { ...SOUND_HAND, pain: 2 } },
    blocks: [{ kind: 'test', label: 'Squeeze test', from: -2, to: -2 }],
    habits: STRAPPED_VOLUME,
    week: powerWeek('deadlift.conventional', [1, 2, 4, 5]),
    truth: truth({ tenSecondShare: 0.72, growth: 0.02 }),
  },
  {
    name: 'Iskra Petrov',
    sport: 'Powerlifting',
    unit: 'kg',
    dominantHand: 'left',
    stance: 'conventional',
    deadliftMax: 147.5,
    trainingMonths: 58,
    school: 'same-grip',
    hookStage: 'build',
    history: [{ kind: 'bicepsTendon', side: 'right', cleared: true }],
    hands: SOUND,
    meet: { name: 'Breakwater Open', inWeeks: 10, straps: false, thumbTape: true, liquidChalk: true },
    blocks: [{ kind: 'holdBlock', label: 'Hold block', from: 3, to: 6 }],
    habits: BARE,
    week: powerWeek('deadlift.conventional', [0, 2, 3, 5]),
    truth: truth({ tenSecondShare: 0.79 }),
  },
  {
    name: 'Jun Takeda-Moss',
    sport: 'General strength',
    unit: 'kg',
    dominantHand: 'right',
    stance: 'conventional',
    deadliftMax: 140,
    trainingMonths: 8,
    school: 'overhand-first',
    hookStage: 'none',
    history: [],
    hands: { left: { ...SOUND_HAND, palm: 'torn', pain: 4 }, right: { ...SOUND_HAND, palm: 'callused' } },
    blocks: [],
    habits: { ...BARE, top: ['doubleOverhand', 'mixed'], backoff: ['mixed', 'doubleOverhand'] },
    week: powerWeek('deadlift.conventional', [1, 2, 4, 6]),
    truth: truth({ tenSecondShare: 0.83, growth: 0.2 }),
  },
  {
    name: 'Bram Oosterhuis',
    sport: 'Powerlifting',
    unit: 'lb',
    dominantHand: 'right',
    stance: 'conventional',
    deadliftMax: 205,
    trainingMonths: 84,
    school: 'bare-hands',
    hookStage: 'carry',
    history: [],
    hands: SOUND,
    blocks: [{ kind: 'holdBlock', label: 'Hold block', from: -3, to: 0 }],
    habits: { ...BARE, top: ['mixed', 'hook'], backoff: ['mixed'] },
    week: powerWeek('deadlift.conventional', [0, 2, 4, 5], TRAVEL),
    truth: truth({ tenSecondShare: 0.8, noChalk: 0.86 }),
  },
  {
    name: 'Noor Haddad',
    sport: 'Powerlifting',
    unit: 'kg',
    dominantHand: 'right',
    stance: 'sumo',
    deadliftMax: 125,
    trainingMonths: 36,
    school: 'hook-committed',
    hookStage: 'settled',
    history: [{ kind: 'elbowTendon', side: 'right', cleared: true }],
    hands: { left: { ...SOUND_HAND, elbowPain: 2 }, right: { ...SOUND_HAND, elbowPain: 5 } },
    blocks: [{ kind: 'test', label: 'Squeeze test', from: -1, to: -1 }],
    habits: {
      warmup: ['hook'],
      top: ['hook'],
      backoff: ['hook'],
      volume: ['hook'],
      accessory: ['doubleOverhand'],
    },
    week: powerWeek('deadlift.sumo', [0, 1, 3, 4]),
    truth: truth({ tenSecondShare: 0.74, growth: -0.08, hook: 1.3 }),
  },
];
