import { Injectable } from '@nestjs/common';
import {
  compareAtSameLoad,
  curveOverTime,
  findLift,
  GRIPS,
  mixedLedger,
  nextSideUnder,
  REFERENCE_SHARE_OF_DEADLIFT,
  SIDES,
  PAIN_PARTS,
  squeezeAgainstHold,
  squeezeScores,
  topAndBackOff,
  type ComparedWork,
  type Grip,
  type GripChoice,
  type Side,
  type TopAndBackOff,
  holdLift,
} from '@iron-clasp/core';
import type { CompareView, GripRecord } from '@iron-clasp/contract';
import { differenceInCalendarDays, format, parseISO, subDays } from 'date-fns';
import { Clock } from '../clock.ts';
import { GrippersService } from '../grippers/grippers.service.ts';
import { HandsRepository } from '../hands/hands.repository.ts';
import { HoldsRepository } from '../holds/holds.repository.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { LoggedHold, LoggedSet } from '../log/log.entity.ts';
import { LogRepository } from '../log/log.repository.ts';
import { SqueezeRepository } from '../squeeze/squeeze.repository.ts';
import { asTest, latestReading } from '../squeeze/squeeze-tests.ts';

/** Half a year: what the comparisons look back over, days. */
const LOOKS_BACK = 182;
/** What pain is looked back over. */
const PAIN_LOOKS_BACK = 56;
/** Observations are wanted as far back again as the oldest test. */
const MEMORY = 2 * LOOKS_BACK;

@Injectable()
export class CompareService {
  constructor(
    private readonly lifters: LiftersService,
    private readonly kept: HoldsRepository,
    private readonly log: LogRepository,
    private readonly squeezes: SqueezeRepository,
    private readonly grippers: GrippersService,
    private readonly hands: HandsRepository,
    private readonly clock: Clock,
  ) {}

  /** The lifter against their own history: weeks, sides, grips, and what foretells what. */
  async view(clubId: string, lifterId: string): Promise<CompareView> {
    const { lifter } = await this.lifters.profile(clubId, lifterId);
    const today = this.clock.today();
    const from = format(subDays(parseISO(today), LOOKS_BACK), 'yyyy-MM-dd');
    const [sets, holds, tests, mixed, checks, observations, grippers] = await Promise.all([
      this.kept.setsSince(lifterId, from),
      this.kept.done(lifterId, from),
      this.squeezes.tests(lifterId),
      this.log.mixedSets(lifterId, today),
      this.hands.checks(lifterId),
      this.log.observations(lifterId, today, MEMORY),
      this.grippers.view(clubId, lifterId),
    ]);
    const peaks = tests.filter((test) => test.trials.length > 0).reverse();
    const scored = peaks.map((test) => ({ on: test.testedOn, scores: squeezeScores(asTest(test)) }));
    const both = scored.filter(({ scores }) => scores.left && scores.right);
    const ages = both.map(({ on }) => Math.max(0, differenceInCalendarDays(parseISO(today), parseISO(on))));
    const then = curveOverTime(observations, ages, {
      referenceLoad: REFERENCE_SHARE_OF_DEADLIFT * lifter.deadliftMax,
    });
    const points = both.map(({ on, scores }, i) => ({
      on,
      squeeze: scores.left!.best + scores.right!.best,
      tenSeconds: then[i]!.tenSeconds,
    }));
    const ledger = mixedLedger(mixed);
    return {
      today,
      sameLoad: compareAtSameLoad([...sets.flatMap(workOfSet), ...holds.map(workOfHold)], today).map(
        (row) => ({ ...row, liftName: findLift(row.lift)?.name ?? row.lift }),
      ),
      backOff: topAndBackOff(pairsOf(sets)),
      grips: GRIPS.map((grip) => recordOf(grip, sets)),
      sides: {
        squeeze: scored.map(({ on, scores }) => ({
          on,
          left: scores.left?.best ?? null,
          right: scores.right?.best ?? null,
        })),
        asymmetry: latestReading(tests)?.reading.asymmetry ?? null,
        gripper:
          grippers.evidence.attempts > 0
            ? { left: grippers.plans.left.halfChance, right: grippers.plans.right.halfChance }
            : null,
        ledger,
        nextUnder: nextSideUnder(ledger, lifter.dominantHand),
        worstPain: Object.fromEntries(SIDES.map((side) => [side, worstPain(checks, side, today)])) as Record<
          Side,
          number
        >,
      },
      squeezeAgainstHold: {
        ...squeezeAgainstHold(
          points.map(({ squeeze, tenSeconds }) => ({ squeeze, tenSecondLoad: tenSeconds.value })),
        ),
        points,
      },
    };
  }
}

const day = (at: Date): string => at.toISOString().slice(0, 10);

function workOfSet(set: LoggedSet): ComparedWork[] {
  if (!findLift(set.liftId)?.grips || set.role === 'warmup') return [];
  return [
    {
      on: day(set.doneAt),
      lift: set.liftId,
      load: set.load,
      reps: set.reps,
      grip: set.grip,
      strapped: set.strapped,
      slipped: set.slippedAtRep !== null,
      ...(set.seconds !== null && { seconds: set.seconds }),
      ...(set.pain !== null && { pain: set.pain }),
    },
  ];
}

function workOfHold(hold: LoggedHold): ComparedWork {
  return {
    on: day(hold.doneAt),
    lift: holdLift(hold.kind).id,
    load: hold.load,
    reps: 1,
    seconds: hold.seconds,
    grip: hold.grip,
    strapped: false,
    slipped: hold.ended === 'slipped',
    ...(hold.pain !== null && { pain: hold.pain }),
  };
}

/** Sessions that had both top and back-off work of one lift. */
function pairsOf(sets: readonly LoggedSet[]): TopAndBackOff[] {
  const bySession = new Map<string, LoggedSet[]>();
  for (const set of sets) {
    const key = `${set.sessionId} ${set.liftId}`;
    bySession.set(key, [...(bySession.get(key) ?? []), set]);
  }
  const choiceOf = (set: LoggedSet): GripChoice => (set.strapped ? 'straps' : set.grip);
  return [...bySession.values()].flatMap((session): TopAndBackOff[] => {
    const tops = session.filter((set) => set.role === 'top' || set.role === 'attempt');
    const backs = session.filter((set) => set.role === 'backoff');
    if (tops.length === 0 || backs.length === 0) return [];
    return [
      {
        on: day(tops[0]!.doneAt),
        topGrip: choiceOf(tops.at(-1)!),
        topSlipped: tops.some((set) => set.slippedAtRep !== null),
        backOffGrip: choiceOf(backs[0]!),
        backOffSlipped: backs.some((set) => set.slippedAtRep !== null),
      },
    ];
  });
}

function recordOf(grip: Grip, sets: readonly LoggedSet[]): GripRecord {
  const own = sets.filter(
    (set) => set.grip === grip && !set.strapped && findLift(set.liftId)?.family === 'deadlift',
  );
  const slips = own.filter((set) => set.slippedAtRep !== null).map((set) => set.load);
  const held = own.filter((set) => set.slippedAtRep === null).map((set) => set.load);
  return {
    grip,
    sets: own.length,
    slips: slips.length,
    lightestSlip: slips.length ? Math.min(...slips) : null,
    heaviestHeld: held.length ? Math.max(...held) : null,
  };
}

function worstPain(
  checks: Awaited<ReturnType<HandsRepository['checks']>>,
  side: Side,
  today: string,
): number {
  const from = format(subDays(parseISO(today), PAIN_LOOKS_BACK), 'yyyy-MM-dd');
  return Math.max(
    0,
    ...checks
      .filter((check) => check.on >= from)
      .flatMap(({ hands }) => PAIN_PARTS.map((part) => hands[side][part] ?? 0)),
  );
}
