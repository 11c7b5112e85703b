import type {
  ChalkKind,
  GripChoice,
  HandsToday,
  HistoryFlag,
  HookStage,
  MassUnit,
  SetRole,
  Side,
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
