import { Injectable } from '@nestjs/common';
import { group } from 'd3-array';
import {
  compareAtSameLoad,
  curveOverTime,
  findLift,
  GRIPS,
  levelChange,
  nextSideUnder,
  PAIN_PARTS,
  squeezeAgainstHold,
  squeezeScores,
  topAndBackOff,
  type ComparedWork,
  type Grip,
  type GripChoice,
  type Side,
  type TopAndBackOff,
} from '@iron-clasp/core';
import type { CompareView, GripRecord } from '@iron-clasp/contract';
import { daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import type { HandsCheck } from '../../records/hands-checks/hands-check.entity.ts';
import { ChangesService } from '../../records/changes/changes.service.ts';
import { HandsChecksService } from '../../records/hands-checks/hands-checks.service.ts';
import type { LoggedHold, LoggedSet } from '../../records/log/log.entity.ts';
import { LogService } from '../../records/log/log.service.ts';
import { SqueezeService } from '../../records/squeeze/squeeze.service.ts';
import { CurvesService } from '../../evidence/curves/curves.service.ts';
import { LifterTodayService } from '../../evidence/lifter-today/lifter-today.service.ts';
import { asTest, latestReading } from '../../evidence/squeeze/squeeze-tests.ts';
import { GrippersService } from '../../advice/grippers/grippers.service.ts';

/** Half a year: what the comparisons look back over, days. */
const LOOKS_BACK = 182;
/** What pain is looked back over. */
const PAIN_LOOKS_BACK = 56;

@Injectable()
export class CompareService {
  constructor(
    private readonly lifters: LifterTodayService,
    private readonly log: LogService,
    private readonly squeezes: SqueezeService,
    private readonly grippers: GrippersService,
    private readonly checks: HandsChecksService,
    private readonly curves: CurvesService,
    private readonly changes: ChangesService,
  ) {}

  /** The lifter against their own history: weeks, sides, grips, and what foretells what. */
  view(club: ClubRef, lifterId: string): Promise<CompareView> {
    return this.changes.untilChanged('compare', { club, lifterId }, () => this.read(club, lifterId));
  }

  private async read(club: ClubRef, lifterId: string): Promise<CompareView> {
    const { lifter, today } = await this.lifters.profile(club, lifterId);
    const from = shiftDay(today, -LOOKS_BACK);
    const [sets, holds, tests, ledger, checks, observations, grippers] = await Promise.all([
      this.log.setsSince([lifterId], from),
      this.log.holdsSince([lifterId], from),
      this.squeezes.tests(lifterId),
      this.curves.ledger(club, lifterId),
      this.checks.latest(lifterId),
      this.curves.observations(club, lifter),
      this.grippers.view(club, lifterId),
    ]);
    const peaks = tests.filter((test) => test.trials.length > 0).reverse();
    const scored = peaks.map((test) => ({ on: test.testedOn, scores: squeezeScores(asTest(test)) }));
    const both = scored.filter(({ scores }) => scores.left && scores.right);
    const ages = both.map(({ on }) => Math.max(0, daysBetween(on, today)));
    const moving = await this.curves.moving(lifter, observations);
    const then = curveOverTime(moving, ages);
    const points = both.map(({ on, scores }, i) => ({
      on,
      squeeze: scores.left!.best + scores.right!.best,
      tenSeconds: then[i]!.tenSeconds,
    }));
    return {
      today,
      week: observations.length > 0 ? levelChange(moving, 7, 0) : null,
      sameLoad: compareAtSameLoad([...sets.flatMap(workOfSet), ...holds.flatMap(workOfHold)], today).map(
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
        worstPain: { left: worstPain(checks, 'left', today), right: worstPain(checks, 'right', today) },
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

function workOfSet(set: LoggedSet): ComparedWork[] {
  if (!findLift(set.liftId)?.grips || set.role === 'warmup') return [];
  return [
    {
      on: set.trainingDay,
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

function workOfHold(hold: LoggedHold): ComparedWork[] {
  // What was never lifted is no work.
  if (hold.seconds <= 0) return [];
  const work = {
    on: hold.trainingDay,
    lift: hold.liftId,
    load: hold.load,
    reps: 1,
    seconds: hold.seconds,
    grip: hold.grip,
    strapped: false,
    slipped: hold.ended === 'slipped',
    ...(hold.pain !== null && { pain: hold.pain }),
  };
  return [work];
}

/** Sessions that had both top and back-off work of one lift. */
function pairsOf(sets: readonly LoggedSet[]): TopAndBackOff[] {
  const bySession = group(sets, (set) => `${set.sessionId} ${set.liftId}`);
  const choiceOf = (set: LoggedSet): GripChoice => (set.strapped ? 'straps' : set.grip);
  return [...bySession.values()].flatMap((session): TopAndBackOff[] => {
    const tops = session.filter((set) => set.role === 'top' || set.role === 'attempt');
    const backs = session.filter((set) => set.role === 'backoff');
    if (tops.length === 0 || backs.length === 0) return [];
    return [
      {
        on: tops[0]!.trainingDay,
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

function worstPain(checks: readonly HandsCheck[], side: Side, today: string): number {
  const from = shiftDay(today, -PAIN_LOOKS_BACK);
  return Math.max(
    0,
    ...checks
      .filter((check) => check.checkedOn >= from)
      .flatMap(({ hands }) => PAIN_PARTS.map((part) => hands[side][part] ?? 0)),
  );
}
