import type { School } from '../calls/school.ts';
import { schoolCheck } from '../calls/check-call.ts';
import type { Reason } from '../calls/types.ts';
import { addDays, daysBetween } from '../days.ts';
import type { HoldKindId } from '../hold-prescriptions/hold-kinds.ts';
import { SPORTS, type Sport } from '../profile/sport-and-stance.ts';
import { countDays } from '../say-days.ts';
import { day, listOf, oneOf, optional, range, record, whole, type Check } from '../shape.ts';
import { LAST_HEAVY_HOLD_DAYS } from './spacing-figures.ts';

export interface HoldBlockQuestion {
  readonly today: string;
  readonly school: School;
  /** Heavy bare-handed sets of the last four weeks, and how many of them slipped. */
  readonly heavySets: { readonly done: number; readonly slipped: number };
  /** Confidence of the last heavy sets, 1–5, the latest first. */
  readonly confidence?: readonly number[];
  readonly meetOn?: string;
  /** Last day of the latest hold block. */
  readonly lastBlockEndedOn?: string;
  readonly sport?: Sport;
  /** Months of barbell training. */
  readonly trainingMonths?: number;
  /** Slips of the four weeks whose cause was said to be the bar rolling to the fingertips. */
  readonly rolledToFingertips?: number;
}

export interface HoldBlockProposal {
  readonly propose: boolean;
  /** What to hold, side by side, as the cause asks; empty where no block is proposed. */
  readonly kinds: readonly HoldKindId[];
  readonly startsOn?: string;
  readonly endsOn?: string;
  readonly weeks?: number;
  readonly sessionsAWeek?: number;
  readonly why: readonly Reason[];
}

/** Slips among heavy sets in four weeks from which holds come back. */
const SLIPS_THAT_CALL = 2;
const SLIP_SHARE_THAT_CALLS = 0.15;
/** Fewer sets than this say nothing by their share. */
const ENOUGH_SETS = 6;
/** Mean confidence, 1–5, at or below which doubt, not force, is the matter. */
const LOW_CONFIDENCE = 2.5;
const CONFIDENCE_SETS = 3;
/** Weeks of a block: five at the most, and two are the least that do anything. */
const LONGEST_WEEKS = 5;
const SHORTEST_WEEKS = 2;
const USUAL_WEEKS = 4;
/** Weeks into a meet in which the trade puts heavy holds. */
const MEET_WEEKS = 3;
/** Days between two blocks. */
const REST_BETWEEN_BLOCKS = 14;

/** Months of training under which a weak grip is met with little pulling, not with heavy holds. */
const NOVICE_MONTHS = 12;

/** The kinds of hold that the cause asks for, and why these. */
function kindsFor({
  sport,
  trainingMonths = Infinity,
  rolledToFingertips = 0,
  heavySets,
}: HoldBlockQuestion): { readonly kinds: readonly HoldKindId[]; readonly why: Reason } {
  if (trainingMonths < NOVICE_MONTHS)
    return {
      kinds: ['overhandReps', 'carry'],
      why: says(
        'block.kind-novice',
        'Under a year of training: high-rep pulls and carries before heavy holds.',
      ),
    };
  if (
    rolledToFingertips >= SLIPS_THAT_CALL ||
    (rolledToFingertips > 0 && rolledToFingertips * 2 > heavySets.slipped)
  )
    return {
      kinds: ['thickBarHold', 'deadHang'],
      why: says('block.kind-fingertips', 'The bar rolls to the fingertips: a thick bar and hangs.'),
    };
  if (sport === 'strongman')
    return {
      kinds: ['behindBackHold', 'carry'],
      why: says('block.kind-events', 'For events: holds behind the back, and carries.'),
    };
  return {
    kinds: ['frontRackHold'],
    why: says('block.kind-singles', 'Heavy singles: front rack holds near the deadlift max.'),
  };
}

const questionCheck: Check = record<HoldBlockQuestion>({
  today: day,
  school: schoolCheck,
  heavySets: record<HoldBlockQuestion['heavySets']>({ done: whole(0, 10_000), slipped: whole(0, 10_000) }),
  confidence: optional(listOf(range(1, 5), 1000)),
  meetOn: optional(day),
  lastBlockEndedOn: optional(day),
  sport: optional(oneOf(SPORTS)),
  trainingMonths: optional(range(0, 1200)),
  rolledToFingertips: optional(whole(0, 10_000)),
});

/** Why no block is needed: only what the log has to say. */
function notNeeded({ done, slipped }: HoldBlockQuestion['heavySets']): string {
  if (done === 0) return 'No heavy bare-handed set in four weeks: nothing asks for a block yet.';
  const slips = slipped === 0 ? 'none' : `${slipped}`;
  return `Of ${done === 1 ? 'one heavy bare-handed set' : `${done} heavy bare-handed sets`} in four weeks ${slips} slipped: no block needed.`;
}

const says = (ruleId: string, words: string): Reason => ({ ruleId, rank: 'evidence', text: words });

/**
 * Should a block of heavy holds come back, and when? Proposed on slips among the heavy sets, on low confidence, or into
 * a meet for a school that holds near the limit; two to five weeks, ending about a week before a meet, and not on the
 * heels of the last block unless a meet asks for it.
 * @throws InvalidInputError naming the field that cannot be used.
 * @example
 * proposeHoldBlock({ today: '2026-11-23', school: findSchool('same-grip'), heavySets: { done: 10, slipped: 2 } })
 * // { propose: true, startsOn: '2026-11-23', endsOn: '2026-12-20', weeks: 4 }
 */
export function proposeHoldBlock(question: HoldBlockQuestion): HoldBlockProposal {
  questionCheck('', question);
  const { today, school, heavySets, confidence = [], meetOn, lastBlockEndedOn } = question;
  const why: Reason[] = [];
  const { done, slipped } = heavySets;
  if (slipped >= SLIPS_THAT_CALL || (done >= ENOUGH_SETS && slipped / done >= SLIP_SHARE_THAT_CALLS))
    why.push(says('block.slips', `${slipped} of ${done} heavy bare-handed sets slipped in four weeks.`));
  const recent = confidence.slice(0, CONFIDENCE_SETS);
  const mean = recent.reduce((sum, each) => sum + each, 0) / recent.length;
  if (recent.length === CONFIDENCE_SETS && mean <= LOW_CONFIDENCE)
    why.push(
      says(
        'block.low-confidence',
        `Confidence ${mean.toFixed(1)} of 5 over the last ${CONFIDENCE_SETS} heavy sets: doubt rather than force.`,
      ),
    );
  const daysToMeet = meetOn === undefined ? undefined : daysBetween(today, meetOn);
  const lastDay = daysToMeet === undefined || daysToMeet < 0 ? undefined : daysToMeet - LAST_HEAVY_HOLD_DAYS;
  const weeksBeforeMeet = lastDay === undefined ? undefined : Math.floor(lastDay / 7);
  const intoMeet =
    school.hold.effort.kind === 'nearLimit' &&
    weeksBeforeMeet !== undefined &&
    weeksBeforeMeet >= SHORTEST_WEEKS &&
    weeksBeforeMeet <= LONGEST_WEEKS;
  if (intoMeet)
    why.push(says('block.into-meet', `${school.name}: heavy holds in the last weeks into the meet.`));
  if (weeksBeforeMeet !== undefined && weeksBeforeMeet < SHORTEST_WEEKS)
    return {
      propose: false,
      kinds: [],
      why: [
        ...why,
        says(
          'block.meet-too-near',
          `Too near the meet for a block: the last heavy hold falls about ${LAST_HEAVY_HOLD_DAYS} days out.`,
        ),
      ],
    };
  if (!why.length)
    return { propose: false, kinds: [], why: [says('block.not-needed', notNeeded(heavySets))] };
  const sinceLast = lastBlockEndedOn === undefined ? undefined : daysBetween(lastBlockEndedOn, today);
  if (sinceLast !== undefined && sinceLast >= 0 && sinceLast < REST_BETWEEN_BLOCKS && !intoMeet)
    return {
      propose: false,
      kinds: [],
      why: [
        ...why,
        says(
          'block.just-had-one',
          `The last block ended ${countDays(sinceLast)} ago: see first what it did.`,
        ),
      ],
    };
  const wanted = intoMeet && weeksBeforeMeet < USUAL_WEEKS ? MEET_WEEKS : USUAL_WEEKS;
  const weeks = Math.max(SHORTEST_WEEKS, Math.min(wanted, weeksBeforeMeet ?? wanted, LONGEST_WEEKS));
  // Into a meet the block is counted back from its last day; otherwise it starts now.
  const endsOn = intoMeet ? addDays(today, lastDay!) : addDays(today, weeks * 7 - 1);
  const { kinds, why: ofKind } = kindsFor(question);
  return {
    propose: true,
    kinds,
    startsOn: intoMeet ? addDays(endsOn, -(weeks * 7 - 1)) : today,
    endsOn,
    weeks,
    sessionsAWeek: school.hold.effort.kind === 'nearLimit' ? 1 : 2,
    why: [...why, ofKind],
  };
}
