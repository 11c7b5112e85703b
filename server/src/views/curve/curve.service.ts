import { Injectable } from '@nestjs/common';
import {
  curveOverTime,
  driftAsShare,
  holdProbability,
  levelChange,
  medianLoad,
  readBackTest,
  worthOf,
  type HoldCurve,
  type MovingCurve,
} from '@iron-clasp/core';
import type { BackTestView, CurveMonthsView, CurvePoint, CurveView } from '@iron-clasp/contract';
import { daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { ChangesService } from '../../records/changes/changes.service.ts';
import { SqueezeService } from '../../records/squeeze/squeeze.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { BackTestsService } from '../../evidence/curves/back-tests.service.ts';
import { CurvesService, type LoggedObservation } from '../../evidence/curves/curves.service.ts';
import { LifterTodayService } from '../../evidence/lifter-today/lifter-today.service.ts';
import { SessionFactsService } from '../../evidence/session/session-facts.service.ts';
import { attemptCalls } from '../../advice/calls/attempts.ts';
import { CallsService } from '../../advice/calls/calls.service.ts';
import { SessionHoldsService } from '../../advice/holds/session-holds.service.ts';
import { attemptsOf, demandsOf } from '../calls/call-views.ts';

/** Stops that were nearly certain say little; a drawing leaves them out. */
const TELLING_BELOW = 0.97;
const MOST_POINTS = 400;
/** How far back the curve is shown, and the step between two of it, days. */
const BACK = 182;
const STEP = 7;
/** How far ahead it is shown: to the meet, where that is near enough, else two months. */
const AHEAD = 56;
const FARTHEST_AHEAD = 84;
/** Days without a bare hold or set that are shown as a layoff. */
const LAYOFF_DAYS = 14;

@Injectable()
export class CurveViewService {
  constructor(
    private readonly lifters: LifterTodayService,
    private readonly training: TrainingService,
    private readonly squeezes: SqueezeService,
    private readonly facts: SessionFactsService,
    private readonly curves: CurvesService,
    private readonly backTests: BackTestsService,
    private readonly calls: CallsService,
    private readonly holds: SessionHoldsService,
    private readonly changes: ChangesService,
  ) {}

  /** The lifter's clasp curve with the points behind it and what the next session and the next meet ask. */
  view(club: ClubRef, lifterId: string): Promise<CurveView> {
    return this.changes.untilChanged('curve', { club, lifterId }, () => this.read(club, lifterId));
  }

  private async read(club: ClubRef, lifterId: string): Promise<CurveView> {
    const profile = await this.lifters.profile(club, lifterId);
    const session = await this.training.next(lifterId, profile.today);
    if (!session) {
      const observations = await this.curves.observations(club, profile.lifter);
      const curve = await this.curves.fit(profile.lifter, observations);
      const ledger = await this.curves.ledger(club, lifterId);
      return viewOf(curve, observations, attemptsOf(profile, attemptCalls(profile, { curve, ledger })));
    }
    const facts = await this.facts.ofSession(club, session);
    const calls = this.calls.callAll(facts);
    const held = await this.holds.of(club, { ...facts, holdsDone: [] });
    const demands = [
      ...demandsOf(
        facts,
        calls,
        held.flatMap(({ hold }) => hold ?? []),
      ),
      ...attemptsOf(profile, attemptCalls(profile, facts)),
    ];
    return viewOf(facts.curve, facts.observations, demands);
  }

  /** What the curve said of past weeks beforehand, against what happened. */
  async backTest(club: ClubRef, lifterId: string): Promise<BackTestView> {
    const { lifter } = await this.lifters.profile(club, lifterId);
    const { tally, fresh } = await this.backTests.of(club, lifter);
    return { reading: tally && readBackTest(tally), fresh };
  }

  /** How the lifter's curve moved over half a year, week by week, and how it goes on to the next meet. */
  months(club: ClubRef, lifterId: string): Promise<CurveMonthsView> {
    return this.changes.untilChanged('months', { club, lifterId }, () => this.readMonths(club, lifterId));
  }

  private async readMonths(club: ClubRef, lifterId: string): Promise<CurveMonthsView> {
    const { lifter, today, nextMeet } = await this.lifters.profile(club, lifterId);
    const observations = await this.curves.observations(club, lifter);
    const moving = await this.curves.moving(lifter, observations);
    const oldest = Math.max(0, ...observations.map((each) => each.ageDays));
    const past = Array.from({ length: BACK / STEP + 1 }, (_, i) => BACK - i * STEP);
    const known = past.filter((ago) => ago === 0 || ago <= oldest);
    const toMeet = nextMeet ? daysBetween(today, nextMeet.heldOn) : 0;
    const meet = nextMeet && toMeet > 0 && toMeet <= FARTHEST_AHEAD ? nextMeet : null;
    const last = meet ? toMeet : AHEAD;
    const ahead = Array.from({ length: Math.ceil(last / STEP) }, (_, i) => Math.min((i + 1) * STEP, last));
    const first = known[0]!;
    const tests = await this.squeezes.tests(lifterId);
    return {
      today,
      tests: tests.map((test) => test.testedOn).filter((on) => on >= shiftDay(today, -first) && on <= today),
      layoffs: layoffsOf(moving, first).map(([from, to]) => ({
        from: shiftDay(today, -from),
        to: shiftDay(today, -to),
      })),
      meet: meet && { on: meet.heldOn, name: meet.name },
      then: curveOverTime(moving, [...known, ...ahead.map((days) => -days)]).map(
        ({ daysAgo, curve, behind, tenSeconds, thirtySeconds }) => ({
          ...{ on: shiftDay(today, -daysAgo), curve, behind, tenSeconds, thirtySeconds },
          sinceFirst: daysAgo >= 0 && daysAgo < first ? levelChange(moving, first, daysAgo).ratio : null,
        }),
      ),
      weekly: observations.length > 0 ? driftAsShare(moving) : null,
    };
  }
}

/** Stretches between training days that are long enough for hands to soften, in days before today. */
function layoffsOf({ fit: { days } }: MovingCurve, first: number): [from: number, to: number][] {
  const trained = days.filter((day) => day.rows > 0).map((day) => day.ageDays);
  return trained
    .map((from, i): [number, number] => [from, trained[i + 1] ?? 0])
    .filter(([from, to]) => from - to >= LAYOFF_DAYS && to < first)
    .map(([from, to]) => [Math.min(from, first), to]);
}

function viewOf(
  curve: HoldCurve,
  observations: readonly LoggedObservation[],
  demands: CurveView['demands'],
): CurveView {
  return {
    curve,
    points: pointsOf(curve, observations),
    readOuts: {
      tenSeconds: medianLoad(curve, { seconds: 10 }),
      thirtySeconds: medianLoad(curve, { seconds: 30 }),
      worth: (['mixed', 'hook', 'noChalk'] as const).map((effect) => ({
        effect,
        estimate: worthOf(curve, effect)!,
      })),
    },
    demands,
  };
}

/** The points worth drawing: every hold and slip, and those stops that came near the limit; the newest first. */
function pointsOf(curve: HoldCurve, observations: readonly LoggedObservation[]): CurvePoint[] {
  return observations
    .flatMap((each) => (each.source === 'best' ? [] : [{ ...each, source: each.source }]))
    .filter(
      (each) =>
        each.source === 'hold' || each.ended === 'slipped' || holdProbability(curve, each) < TELLING_BELOW,
    )
    .sort((a, b) => a.ageDays - b.ageDays)
    .slice(0, MOST_POINTS)
    .map(({ load, seconds, ended, grip, ageDays, source }) => ({
      ...{ load, seconds, ended, grip: grip!, ageDays, source },
    }));
}
