import type { LibraryPlanRow } from '../records/library/library.entity.ts';
import type {
  Alternation,
  BestPulled,
  ChalkKind,
  GripChoice,
  HoldKindId,
  HandsToday,
  HistoryFlag,
  HookStage,
  KitNeed,
  Knurl,
  MassUnit,
  SetRole,
  Side,
  StrapType,
  Sport,
  Stance,
} from '@iron-clasp/core';

export const DEMO_CLUB = 'Tarn Quay Barbell';
/** The invented harbour town lies somewhere on the North Sea. */
export const DEMO_ZONE = 'Europe/Amsterdam';
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
  /** How much the hands differ from day to day, standard deviation as a share of load. */
  readonly days: number;
  /** Weeks without training, and the share of load that they cost; it comes back over as many weeks as {@link BACK_WEEKS}. */
  readonly layoff?: { readonly from: number; readonly to: number; readonly lost: number };
}

/** Weeks after a layoff until the hands are where they were. */
export const BACK_WEEKS = 8;

/** True squeeze and gripper strength. */
export interface SqueezeTruth {
  /** kgf of each hand today, before any drop. */
  readonly left: number;
  readonly right: number;
  /** kg closed as often as not. */
  readonly gripper: number;
  /** A hand that has lost this share in the last two tests. */
  readonly drop?: { readonly hand: Side; readonly share: number };
  /** False for a lifter whom the club does not test. */
  readonly tested: boolean;
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
  /** What is held; the front rack hold where nothing is said. */
  readonly holdKind?: HoldKindId;
  readonly venue?: string;
}

export interface DemoVenue {
  readonly name: string;
  readonly chalk: ChalkKind;
  readonly note: string;
  readonly straps: readonly StrapType[] | null;
  readonly has: readonly KitNeed[] | null;
  /** The bar that everything logged was done on. */
  readonly bar: DemoBar;
  readonly otherBars: readonly DemoBar[];
  readonly plates: readonly { readonly mass: number; readonly unit: MassUnit; readonly pairs: number }[];
  readonly handles: readonly { readonly name: string; readonly diameter: number; readonly mass: number }[];
  readonly grippers: readonly { readonly name: string; readonly resistance: number | null }[];
  readonly racks: readonly { readonly name: string; readonly pinHeights: readonly number[] }[];
  readonly dynamometers: readonly {
    readonly name: string;
    readonly settings: readonly { readonly name: string; readonly span: number }[];
  }[];
}

export interface DemoBar {
  readonly name: string;
  readonly mass: number;
  readonly diameter: number;
  readonly collars: number;
  readonly knurl: Knurl;
  readonly brushEvery: number;
  /** Days ago that it was brushed. */
  readonly brushedDaysAgo: number;
}

export interface DemoLifter {
  readonly name: string;
  readonly sport: Sport;
  readonly unit: MassUnit;
  readonly dominantHand: Side;
  readonly stance: Stance;
  readonly largeThighs?: boolean;
  /** kg. */
  readonly deadliftMax: number;
  readonly trainingMonths: number;
  readonly school: string;
  readonly hookStage: HookStage;
  /** How the best deadlift was held. */
  readonly bestPulled: BestPulled;
  readonly practisedUnder?: Side;
  readonly alternation?: Alternation;
  readonly thumbFingers?: 2 | 3;
  readonly clenches?: boolean;
  readonly history: readonly (HistoryFlag & { readonly since?: string })[];
  /** mm. */
  readonly handLength: number;
  readonly handSpan: number;
  /** kg. */
  readonly bodyMass: number;
  /** kg, and months ago. */
  readonly bests: readonly { readonly lift: string; readonly load: number; readonly monthsAgo: number }[];
  readonly hands: HandsToday;
  /** Weeks from now. */
  readonly meet?: {
    readonly name: string;
    readonly inWeeks: number;
    readonly straps: boolean;
    readonly thumbTape: boolean;
    readonly liquidChalk: boolean;
    /** Deadlift attempts in order, kg; left out where none are planned. */
    readonly attempts?: readonly number[];
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
  /** Does band work that opens the hand after training. */
  readonly opensHands: boolean;
  /** Squeezes and grippers: see simulate-hands.ts. */
  readonly squeeze: SqueezeTruth;
}

const kg = (mass: number, pairs: number): DemoVenue['plates'][number] => ({ mass, unit: 'kg', pairs });
const lb = (mass: number, pairs: number): DemoVenue['plates'][number] => ({ mass, unit: 'lb', pairs });

export const HOME = 'Rope works';
export const TRAVEL = 'Harbour hotel gym';

const bar = (name: string, more: Partial<DemoBar> = {}): DemoBar => ({
  ...{ name, mass: 20, diameter: 29, collars: 5, knurl: 'medium', brushEvery: 150, brushedDaysAgo: 6 },
  ...more,
});
/** Pin heights of a rack, mm, hole by hole. */
const holes = (from: number, count: number, step: number): number[] =>
  Array.from({ length: count }, (_, i) => from + i * step);

export const DEMO_VENUES: readonly DemoVenue[] = [
  {
    name: HOME,
    chalk: 'block',
    note: 'Brick hall by the water: damp from October to April, wipe the bars before the first set.',
    straps: ['loop', 'figureEight', 'quickRelease'],
    has: ['rack', 'dumbbells', 'cable', 'pullUpBar', 'fabric', 'handles', 'frame', 'axle', 'thickBar']
      .concat(['smoothPlates', 'block', 'hexDumbbell', 'gripper', 'band', 'lever', 'roller', 'mat'])
      .map((need) => need as KitNeed),
    bar: bar('Power bar', { brushEvery: 300 }),
    otherBars: [
      bar('Thin deadlift bar', { diameter: 27, knurl: 'sharp', brushEvery: 100, brushedDaysAgo: 20 }),
      bar('Axle', { mass: 15, diameter: 50, collars: 1, knurl: 'smooth', brushedDaysAgo: 90 }),
    ],
    plates: [kg(25, 6), kg(20, 2), kg(15, 2), kg(10, 2), kg(5, 2), kg(2.5, 2), kg(1.25, 2), kg(0.5, 2)],
    handles: [
      { name: 'Carry handles, the pair', diameter: 32, mass: 18 },
      { name: 'Thick handle', diameter: 60, mass: 4 },
    ],
    grippers: [
      { name: 'Slate', resistance: 27 },
      { name: 'Rope', resistance: 36 },
      { name: 'Tar', resistance: 47 },
      { name: 'Anchor', resistance: 59 },
      { name: 'Capstan', resistance: 70 },
      { name: 'The rusty one', resistance: null },
    ],
    racks: [{ name: 'Harbour-side rack', pinHeights: holes(450, 18, 50) }],
    dynamometers: [
      {
        name: 'Club dynamometer',
        settings: holes(35, 5, 13).map((span, i) => ({ name: String(i + 1), span })),
      },
    ],
  },
  {
    name: 'Platform room',
    chalk: 'block',
    note: '',
    straps: ['quickRelease', 'loop'],
    has: ['rack', 'block', 'mat', 'dumbbells', 'pullUpBar'],
    bar: bar('Weightlifting bar', { diameter: 28, knurl: 'mild', brushEvery: 250, brushedDaysAgo: 13 }),
    otherBars: [bar('Lighter weightlifting bar', { mass: 15, diameter: 25, knurl: 'mild' })],
    plates: [kg(25, 3), kg(20, 2), kg(15, 2), kg(10, 2), kg(5, 2), kg(2.5, 2), kg(1.25, 1), kg(0.5, 1)],
    handles: [],
    grippers: [],
    racks: [{ name: 'Squat stands', pinHeights: holes(900, 12, 50) }],
    dynamometers: [],
  },
  {
    name: TRAVEL,
    chalk: 'liquid',
    note: 'Hot and close in summer; the bar is slick. Ask at the desk before liquid chalk.',
    straps: ['loop'],
    has: ['rack', 'dumbbells', 'cable', 'pullUpBar'],
    bar: bar('Hotel bar', { collars: 0.5, knurl: 'smooth', brushedDaysAgo: 40 }),
    otherBars: [],
    plates: [lb(45, 4), lb(35, 1), lb(25, 2), lb(10, 2), lb(5, 2), lb(2.5, 1)],
    handles: [],
    grippers: [],
    racks: [{ name: 'Rack', pinHeights: holes(500, 14, 75) }],
    dynamometers: [],
  },
];

/** The club's own copy of a school, and who follows it. */
export const DEMO_SCHOOL = {
  basedOn: 'overhand-first',
  name: 'Overhand first, short holds',
  summary: 'As the original, with shorter holds: for lifters in their first two years.',
  seconds: 15,
  reason: 'holds of 15 s: long enough to learn the clasp, short enough to keep the skin',
  followers: ['Jun Takeda-Moss'],
} as const;

/** A lifter of the demo with an account of their own. */
export const DEMO_LIFTER = {
  name: 'Odalys Brandt',
  email: 'odalys@tarnquay.example',
  password: 'rope-works-27',
} as const;

/** What the sign-in page shows where the demo is on. */
export const DEMO_SIGN_IN = { ...DEMO_COACH, club: DEMO_CLUB, lifter: DEMO_LIFTER };

/** Plans of the club's library, their loads shares of a best. */
export const DEMO_PLANS: readonly Pick<LibraryPlanRow, 'kind' | 'title' | 'sessions'>[] = [
  {
    kind: 'session',
    title: 'Singles, then bare back-offs',
    sessions: [
      {
        ...{ day: 0, title: 'Deadlift, singles', holds: ['frontRackHold'] },
        lines: [
          { liftId: 'deadlift.conventional', text: 'ramp top 3x1 @ 88%' },
          { liftId: 'deadlift.conventional', text: 'back-off 3x3 @ 72% overhand' },
          { liftId: 'band-opening', text: 'accessory 3x15 band' },
        ],
      },
    ],
  },
  {
    kind: 'week',
    title: 'Three days, hands twice',
    sessions: [
      {
        ...{ day: 0, title: 'Deadlift', holds: ['frontRackHold'] },
        lines: [
          { liftId: 'deadlift.conventional', text: 'ramp top 2x2 @ 82%' },
          { liftId: 'row.barbell', text: 'volume 4x8 @ 35% back' },
        ],
      },
      {
        ...{ day: 2, title: 'Arms and opening', holds: [] },
        lines: [
          { liftId: 'hang.dead', text: 'accessory 3x20s bodyweight' },
          { liftId: 'band-opening', text: 'accessory 4x15 band' },
        ],
      },
      {
        ...{ day: 4, title: 'Volume', holds: ['deadHang'] },
        lines: [
          { liftId: 'deadlift.conventional', text: 'volume 4x5 @ 65%' },
          { liftId: 'carry.handles', text: 'accessory 3x30s @ 60%' },
        ],
      },
    ],
  },
];
