import {
  LADDER_STEPS,
  LIFT_FAMILIES,
  SCHOOLS,
  SET_ROLES,
  STRAP_TYPES,
  type LadderStep,
  type LiftFamily,
  type School,
  type SetRole,
  type StrapType,
} from '@iron-clasp/core';
import {
  Amount,
  Amounts,
  Flag,
  Nullable,
  OneOf,
  Optional,
  Part,
  Parts,
  SeenVersion,
  Text,
  Whole,
  Words,
} from './fields.ts';

const REASON = 'Give the reason, in at most 2000 characters.';
const ORDER = 'Order the grips: each at most once.';
const CONDITION = 'Say when, as the practice book does.';
const SCHOOL_IDS = SCHOOLS.map((school) => school.id);

/** Conditions under which a school reaches for straps: which of the other fields one has is told by its kind. */
export const STRAP_CONDITIONS = [
  'roles',
  'repsAtLeast',
  'families',
  'loadAtLeastShareOfMax',
  'aimIsBack',
  'handPainAtLeast',
  'trainingMonthsBelow',
  'gripWorkHigh',
  'clenches',
  'eventAllowsStraps',
  'slippedToday',
] as const satisfies readonly School['strapsFirst'][number]['when'][number]['kind'][];

export class StrapConditionBody {
  @OneOf(STRAP_CONDITIONS, CONDITION)
  kind: (typeof STRAP_CONDITIONS)[number];

  @Optional()
  @Words(SET_ROLES, SET_ROLES.length, CONDITION)
  roles?: SetRole[];

  @Optional()
  @Words(LIFT_FAMILIES, LIFT_FAMILIES.length, CONDITION)
  families?: LiftFamily[];

  @Optional()
  @Whole({ min: 1, max: 100 }, CONDITION)
  reps?: number;

  @Optional()
  @Amount({ min: 0, max: 3 }, CONDITION)
  share?: number;

  @Optional()
  @Amount({ min: 0, max: 10 }, CONDITION)
  pain?: number;

  @Optional()
  @Amount({ min: 0, max: 1200 }, CONDITION)
  months?: number;
}

export class StrapPolicyBody {
  @Text(100, 'Name the policy.')
  id: string;

  @Parts(() => StrapConditionBody, { max: 20, message: CONDITION })
  when: StrapConditionBody[];

  @Text(2000, REASON)
  reason: string;
}

export class StrapFitBody {
  @OneOf(STRAP_TYPES, 'Choose a type of strap.')
  type: StrapType;

  @Whole({ min: 1, max: 10 }, 'Turns must be a whole number from 1 to 10.')
  turns: number;

  @Text(2000, REASON)
  reason: string;
}

export class StrapFitPolicyBody {
  @Text(100, 'Name the policy.')
  id: string;

  @Parts(() => StrapConditionBody, { max: 20, message: CONDITION })
  when: StrapConditionBody[];

  @Part(() => StrapFitBody, 'Say which strap fits.')
  fit: StrapFitBody;
}

export class LadderBody implements Record<SetRole, LadderStep[]> {
  @Words(LADDER_STEPS, 10, ORDER)
  warmup: LadderStep[];

  @Words(LADDER_STEPS, 10, ORDER)
  top: LadderStep[];

  @Words(LADDER_STEPS, 10, ORDER)
  backoff: LadderStep[];

  @Words(LADDER_STEPS, 10, ORDER)
  volume: LadderStep[];

  @Words(LADDER_STEPS, 10, ORDER)
  accessory: LadderStep[];

  @Words(LADDER_STEPS, 10, ORDER)
  attempt: LadderStep[];
}

export class SoreHandsBody {
  @Flag('Say whether sore hands are a reason for straps.')
  straps: boolean;

  @Text(2000, REASON)
  reason: string;
}

export class EffortBody {
  @OneOf(['nearLimit', 'fractionOfBest'], 'Say how close to the limit holds are taken.')
  kind: 'nearLimit' | 'fractionOfBest';

  @Optional()
  @Amount({ min: 0.05, max: 0.99 }, 'The chance must be a number from 0.05 to 0.99.')
  probability?: number;

  @Optional()
  @Amount({ min: 0.05, max: 1 }, 'The fraction must be a number from 0.05 to 1.')
  fraction?: number;
}

export class HoldSchemeBody {
  @Whole({ min: 1, max: 20 }, 'Sets must be a whole number from 1 to 20.')
  sets: number;

  @Amount({ min: 1, max: 600 }, 'Seconds must be a number from 1 to 600.')
  seconds: number;

  @Amounts({ min: 0, max: 3600 }, 2, 'Rest is the shortest and the longest, s.')
  rest: number[];

  @Part(() => EffortBody, 'Say how close to the limit holds are taken.')
  effort: EffortBody;

  @Text(2000, REASON)
  reason: string;
}

/** A school as a club writes its own copy; the core says where parts do not go together. */
export class SchoolBody {
  @Text(100, 'Name the school.')
  id: string;

  @Text(200, 'Name the school in 1 to 200 characters.')
  name: string;

  @Text(2000, 'Sum the school up in at least one word.')
  summary: string;

  @Part(() => LadderBody, ORDER)
  ladder: LadderBody;

  @Text(2000, REASON)
  ladderReason: string;

  @Parts(() => StrapPolicyBody, { max: 50, message: CONDITION })
  strapsFirst: StrapPolicyBody[];

  @Nullable()
  @Part(() => StrapPolicyBody, CONDITION)
  strapsLast: StrapPolicyBody | null;

  /** The last set of strapped work stays bare. */
  @Optional()
  @Flag('Say whether the last set of strapped work stays bare.')
  lastSetBare?: boolean;

  @Amount({ min: 0, max: 1200 }, 'Months must be a number from 0 to 1200.')
  strapsNotBeforeMonths: number;

  @Part(() => SoreHandsBody, 'Say whether sore hands are a reason for straps.')
  soreHands: SoreHandsBody;

  @Parts(() => StrapFitPolicyBody, { max: 20, message: CONDITION })
  strapFits: StrapFitPolicyBody[];

  @Part(() => HoldSchemeBody, 'Say how holds are taken.')
  hold: HoldSchemeBody;
}

/** A club's own copy of a school, as it is now. */
export class SchoolRequest {
  /** The school of the practice book it was copied from. */
  @OneOf(SCHOOL_IDS, 'Copy one of the schools of the practice book.')
  basedOn: string;

  @SeenVersion()
  version: number;

  @Part(() => SchoolBody, 'Say what the school does.')
  school: School;
}

/** A club's own copy of a school. */
export interface ClubSchoolView {
  readonly id: string;
  readonly version: number;
  readonly basedOn: string;
  readonly archived: boolean;
  readonly school: School;
  /** Lifters on the rack who follow it. */
  readonly followers: number;
  readonly changedBy: string | null;
  readonly changedAt: string | null;
}

/** What the club's own logs say about a point on which schools disagree. */
export interface PointEvidence {
  readonly pointId: string;
  /** What was found, with its doubt, or why nothing can be said yet. */
  readonly found: string;
  /** How many sets, holds or lifters stand behind it. */
  readonly behind: string;
  readonly speaksFor: string | null;
}

export interface SchoolsView {
  readonly own: readonly ClubSchoolView[];
  readonly evidence: readonly PointEvidence[];
}
