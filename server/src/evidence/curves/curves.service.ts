import { Injectable } from '@nestjs/common';
import {
  fitHoldCurve,
  mixedLedger,
  PINCH_REFERENCE_SHARE_OF_DEADLIFT,
  observeLog,
  REFERENCE_SHARE_OF_DEADLIFT,
  setDemand,
  type CurveFamily,
  type HoldCurve,
  type HoldObservation,
  type MixedLedger,
} from '@iron-clasp/core';
import { daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import { LogService } from '../../records/log/log.service.ts';

/** An observation with where it came from. */
export type LoggedObservation = HoldObservation & {
  readonly source: 'hold' | 'set';
  readonly sessionId: string;
  readonly ageDays: number;
};

/** Logs further back than this weigh under a twentieth and are left out of the fit, days. */
export const MEMORY_DAYS = 200;

/** How long a lifter's hands hold what, from everything logged. */
@Injectable()
export class CurvesService {
  constructor(
    private readonly log: LogService,
    private readonly days: Days,
  ) {}

  /** Every bare-handed hold and set of the lifter's recent log, as the clasp curve takes them. */
  async observations(
    club: ClubRef,
    { id, bodyMass }: Pick<Lifter, 'id' | 'bodyMass'>,
    family: CurveFamily = 'support',
    memory = MEMORY_DAYS,
  ): Promise<LoggedObservation[]> {
    const today = this.days.today(club);
    const since = shiftDay(today, -memory);
    const [sets, holds] = await Promise.all([
      this.log.countedSets(id, since),
      this.log.holdsSince([id], shiftDay(since, 1)),
    ]);
    const aged = <Row extends { readonly trainingDay: string }>(row: Row): Row & { ageDays: number } =>
      Object.assign(row, { ageDays: Math.max(0, daysBetween(row.trainingDay, today)) });
    const work = {
      sets: sets.map((set) => ({ ...aged(set), strapped: false, source: 'set' as const })),
      holds: holds.map((hold) => ({ ...aged(hold), source: 'hold' as const })),
      bodyMass,
    };
    return observeLog(work, family).map(({ of, ...observation }) => ({
      ...observation,
      ageDays: of.ageDays,
      source: of.source,
      sessionId: of.sessionId,
    }));
  }

  fit({ deadliftMax }: Pick<Lifter, 'deadliftMax'>, observations: readonly HoldObservation[]): HoldCurve {
    return fitHoldCurve(observations, { referenceLoad: REFERENCE_SHARE_OF_DEADLIFT * deadliftMax });
  }

  /** The curve of what is pinched; it has one of its own. */
  async pinchCurve(club: ClubRef, lifter: Lifter): Promise<HoldCurve> {
    return fitHoldCurve(await this.observations(club, lifter, 'pinch'), {
      family: 'pinch',
      referenceLoad: PINCH_REFERENCE_SHARE_OF_DEADLIFT * lifter.deadliftMax,
    });
  }

  /** Which hand was under in the mixed-grip sets of the recent log. */
  async ledger(club: ClubRef, lifterId: string): Promise<MixedLedger> {
    const since = shiftDay(this.days.today(club), -MEMORY_DAYS);
    const sets = await this.log.setsSince([lifterId], since);
    return mixedLedger(
      sets.flatMap(({ grip, strapped, sideUnder, liftId, reps, load, style, seconds }) =>
        grip === 'mixed' && !strapped && sideUnder
          ? [
              {
                sideUnder,
                reps,
                load,
                seconds: setDemand({ lift: liftId, reps, load, style, ...(seconds && { seconds }) }).seconds,
              },
            ]
          : [],
      ),
    );
  }
}
