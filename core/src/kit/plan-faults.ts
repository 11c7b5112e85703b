import { KIT_NEED_NAMES } from '../vocabulary.ts';
import { loadBar, type BarLoading, type BarLoadings } from '../bar-loading/load-bar.ts';
import { platesCheck, type PlatePairs } from '../bar-loading/plates.ts';
import { SET_ROLES, type SetRole } from '../calls/set-role.ts';
import { isBarLift } from '../set-demand/is-bar-lift.ts';
import { KIT_NEEDS, type KitNeed, type Lift } from '../set-demand/lift.ts';
import { liftOf } from '../set-demand/lifts.ts';
import { listOf, oneOf, optional, positive, range, record, text, type Check } from '../shape.ts';

/** A set as it is planned for a venue. */
export interface PlannedForVenue {
  readonly lift: Lift | string;
  readonly role: SetRole;
  /** kg as the lift is written. */
  readonly load: number;
}

/** What a venue can load and what stands there. */
export interface VenueEquipment {
  readonly name: string;
  /** kg. */
  readonly bar: number;
  /** Both together, kg. Default 0. */
  readonly collars?: number;
  readonly plates: readonly PlatePairs[];
  /** What is there beside bars and plates; left out where nobody has listed it, and nothing is then missed. */
  readonly has?: readonly KitNeed[];
}

/** Something that a plan asks and the venue cannot give, said with its mend. */
export interface PlanFault {
  readonly ruleId: string;
  /** Place of the set in the plan, from 0. */
  readonly set: number;
  readonly text: string;
  readonly mend: string;
}

/** What a rule of a plan's kit looks at. */
export interface PlanFaultFacts {
  readonly set: PlannedForVenue;
  readonly lift: Lift;
  readonly venue: VenueEquipment;
  /** Loading nearest to the set, where the lift is done on a bar. */
  readonly nearest: BarLoading | undefined;
  /** True where all the plates together do not reach the load. */
  readonly beyondPlates: boolean;
  /** The set before, where it is a warm-up of the same lift, and its loading. */
  readonly warmupBefore: BarLoading | undefined;
}

/** One way in which a plan and a venue do not fit. */
export interface PlanFaultRule {
  readonly id: string;
  readonly find: (facts: PlanFaultFacts) => { readonly text: string; readonly mend: string } | undefined;
}

/** A loading this far from what is written, kg, is another set: the smallest pair in most gyms. */
const FAR_KG = 2.5;
/** And this far in proportion. */
const FAR_SHARE = 0.03;

const round = (kg: number): string => `${Number(kg.toFixed(2))} kg`;

/** What can be wrong between a plan and a venue. The first that applies to a set is said. */
export const PLAN_FAULT_RULES: readonly PlanFaultRule[] = [
  {
    id: 'kit.missing',
    find: ({ lift, venue }: PlanFaultFacts): ReturnType<PlanFaultRule['find']> => {
      const missing = venue.has ? lift.needs.filter((need) => !venue.has!.includes(need)) : [];
      return missing.length
        ? {
            text: `${lift.name} needs ${missing.map((need) => KIT_NEED_NAMES[need]).join(' and ')}; ${venue.name} lists none.`,
            mend: 'Choose another lift or venue, or list it in the kit if it is there.',
          }
        : undefined;
    },
  },
  {
    id: 'kit.too-heavy',
    find: ({ set, nearest, beyondPlates, venue }) =>
      nearest && beyondPlates && set.load - nearest.total > far(set.load)
        ? {
            text: `${round(set.load)} is more than the plates of ${venue.name} make: ${round(nearest.total)} is the nearest.`,
            mend: 'Write a load that can be made, borrow plates, or hold the session elsewhere.',
          }
        : undefined,
  },
  {
    id: 'kit.empty-bar-heavier',
    find: ({ set, nearest, venue }) =>
      nearest && nearest.perSide.length === 0 && nearest.total - set.load > far(set.load)
        ? {
            text: `${round(set.load)} is less than the empty bar of ${venue.name} (${round(nearest.total)}).`,
            mend: 'Write the empty bar, or use a lighter one.',
          }
        : undefined,
  },
  {
    id: 'kit.coarse-plates',
    find: ({ set, nearest, venue }) =>
      nearest && Math.abs(nearest.total - set.load) > far(set.load)
        ? {
            text: `${venue.name} makes ${round(nearest.total)} of ${round(set.load)}: its plates are too coarse for more.`,
            mend: 'Write the load that can be made, or bring small plates.',
          }
        : undefined,
  },
  {
    id: 'kit.ramp-step-lost',
    find: ({ nearest, warmupBefore, venue }) =>
      nearest && warmupBefore && Math.abs(nearest.total - warmupBefore.total) < 1e-6
        ? {
            text: `Two steps of the ramp come out alike at ${venue.name} (${round(nearest.total)}).`,
            mend: 'Leave one of them out, or bring small plates.',
          }
        : undefined,
  },
];

function far(load: number): number {
  return Math.max(FAR_KG, FAR_SHARE * load);
}

const planCheck: Check = listOf(
  record<PlannedForVenue>({
    lift: (field, value) => void liftOf(value as Lift, field),
    role: oneOf(SET_ROLES),
    load: range(0, 2000),
  }),
  500,
);

const venueCheck: Check = record<VenueEquipment>({
  name: text(200),
  bar: positive(500),
  collars: optional(range(0, 50)),
  plates: platesCheck,
  has: optional(listOf(oneOf(KIT_NEEDS), 50)),
});

/**
 * What a plan asks and the venue cannot give: kit that is not there, loads that its plates do not make, steps of a ramp
 * that come out alike. One fault a set at most, the gravest; alike sets in a row say it once.
 * @throws InvalidInputError naming the set, lift or plate that cannot be used.
 * @example planFaults([{ lift: 'deadlift.conventional', role: 'top', load: 200 }], { name: 'Hotel', bar: 20, plates: [{ mass: 20, unit: 'kg', pairs: 2 }] })[0].ruleId // 'kit.too-heavy'
 */
export function planFaults(plan: readonly PlannedForVenue[], venue: VenueEquipment): PlanFault[] {
  planCheck('plan', plan);
  venueCheck('venue', venue);
  const { bar, collars = 0, plates } = venue;
  const loadings = plan.map(({ lift, load }): BarLoadings | undefined =>
    isBarLift(lift) ? loadBar({ target: load, bar, collars, plates }) : undefined,
  );
  const faults: PlanFault[] = [];
  plan.forEach((set, i) => {
    const before = plan[i - 1];
    const lift = liftOf(set.lift);
    const follows = before?.role === 'warmup' && liftOf(before.lift).id === lift.id;
    const facts: PlanFaultFacts = {
      set,
      lift,
      venue,
      nearest: loadings[i]?.nearest,
      beyondPlates: loadings[i] !== undefined && !loadings[i].atOrAbove,
      // Warm-ups at one load on purpose are no fault.
      warmupBefore: follows && before.load !== set.load ? loadings[i - 1]?.nearest : undefined,
    };
    for (const rule of PLAN_FAULT_RULES) {
      const found = rule.find(facts);
      if (!found) continue;
      if (!faults.some((fault) => fault.ruleId === rule.id && fault.text === found.text))
        faults.push({ ruleId: rule.id, set: i, ...found });
      return;
    }
  });
  return faults;
}
