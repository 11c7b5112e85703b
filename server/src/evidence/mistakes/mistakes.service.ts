import { Injectable } from '@nestjs/common';
import {
  findLift,
  holdProbability,
  usualMistakes,
  WATCH_DAYS,
  type HoldCurve,
  type UsualMistake,
  type WatchedSet,
} from '@iron-clasp/core';
import { shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import type { LoggedHold, LoggedSet } from '../../records/log/log.entity.ts';
import { LogService } from '../../records/log/log.service.ts';
import type { PlannedSet } from '../../records/training/training.entity.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { CurvesService } from '../curves/curves.service.ts';
import { LifterTodayService } from '../lifter-today/lifter-today.service.ts';
import { demandOfLogged } from '../log/demand-of-logged.ts';

/** Share of a planned single that a strapped pull must have reached for the plan to rest on it. */
const RESTS_FROM = 0.95;

/** The usual mistakes that a lifter's log of the last four weeks shows. */
@Injectable()
export class MistakesService {
  constructor(
    private readonly lifters: LifterTodayService,
    private readonly log: LogService,
    private readonly training: TrainingService,
    private readonly curves: CurvesService,
  ) {}

  async of(club: ClubRef, lifterId: string): Promise<UsualMistake[]> {
    const { lifter, today } = await this.lifters.profile(club, lifterId);
    const since = shiftDay(today, 1 - WATCH_DAYS);
    const [sets, holds, observations, next] = await Promise.all([
      this.log.setsSince([lifterId], since),
      this.log.holdsSince([lifterId], since),
      this.curves.observations(club, lifter),
      this.training.next(lifterId, today),
    ]);
    const planned = next ? await this.training.plannedSets([next.id]) : [];
    const curve = await this.curves.fit(lifter, observations);
    const rows = [
      ...sets.map((set) => ({ at: set.doneAt, watched: watchedSet(set, curve) })),
      ...holds.map((hold) => ({ at: hold.doneAt, watched: watchedHold(hold) })),
    ].sort((a, b) => a.at.getTime() - b.at.getTime());
    return usualMistakes({
      ...{ today, deadliftMax: lifter.deadliftMax, hookStage: lifter.hookStage },
      sets: rows.map(({ watched }) => watched),
      planRestsOnStrappedSets: restsOnStrapped(planned, sets),
    });
  }
}

function watchedSet(set: LoggedSet, curve: HoldCurve): WatchedSet {
  const { trainingDay, sessionId, liftId, role, load, reps, grip, strapped, sideUnder } = set;
  const lift = findLift(liftId)!;
  return {
    ...{ on: trainingDay, session: sessionId, lift: liftId, role, load, reps, grip, strapped },
    ...(sideUnder && { sideUnder }),
    slipped: set.slippedAtRep !== null,
    elbowBent: set.signs.includes('elbowBent'),
    ...(strapped &&
      load > 0 &&
      lift.curve === 'support' &&
      lift.loadMeans === 'total' && {
        bareChance: holdProbability(curve, { ...demandOfLogged(set), position: lift.position }),
      }),
  };
}

function watchedHold({
  trainingDay,
  sessionId,
  liftId,
  load,
  grip,
  sideUnder,
  ended,
}: LoggedHold): WatchedSet {
  return {
    ...{ on: trainingDay, session: sessionId, lift: liftId, role: 'accessory', load, reps: 1, grip },
    ...{ strapped: false, slipped: ended === 'slipped' },
    ...(sideUnder && { sideUnder }),
  };
}

/** Is a single planned that only strapped pulls have come near, and no bare hand? */
function restsOnStrapped(planned: readonly PlannedSet[], done: readonly LoggedSet[]): boolean {
  const singles = planned.filter(
    ({ role, reps, fixed }) => role === 'top' && reps === 1 && fixed !== 'straps',
  );
  return singles.some((single) => {
    const near = done.filter(
      ({ liftId, load }) => liftId === single.liftId && load >= RESTS_FROM * single.load,
    );
    return near.length > 0 && near.every(({ strapped }) => strapped);
  });
}
