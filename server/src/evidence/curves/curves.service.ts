import { Injectable } from '@nestjs/common';
import {
  findLift,
  fitHoldCurve,
  mixedLedger,
  observeBestPull,
  PINCH_REFERENCE_SHARE_OF_DEADLIFT,
  observeLog,
  REFERENCE_SHARE_OF_DEADLIFT,
  type CurveFamily,
  type FitOptions,
  type HoldCurve,
  type HoldObservation,
  type MixedLedger,
} from '@iron-clasp/core';
import { daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import type { LoggedSet } from '../../records/log/log.entity.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import { demandOfLogged } from '../log/demand-of-logged.ts';
import { LogService } from '../../records/log/log.service.ts';

/** An observation with where it came from. */
export type LoggedObservation = HoldObservation & {
  /** A hold or set of the log, or the best deadlift as it was told. */
  readonly source: 'hold' | 'set' | 'best';
  readonly sessionId: string;
  readonly ageDays: number;
};

/** What of a lifter is read beside the log. */
export type ObservedLifter = Pick<
  Lifter,
  'id' | 'bodyMass' | 'deadliftMax' | 'sport' | 'bestPulled' | 'bestChalk' | 'deadliftOn'
>;

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
    lifter: ObservedLifter,
    family: CurveFamily = 'support',
    memory = MEMORY_DAYS,
  ): Promise<LoggedObservation[]> {
    const { id, bodyMass } = lifter;
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
    const logged = observeLog(work, family).map(({ of, ...observation }) => ({
      ...observation,
      ageDays: of.ageDays,
      source: of.source,
      sessionId: of.sessionId,
    }));
    const best = family === 'support' ? bestOf(lifter, sets, today) : undefined;
    return best ? [...logged, best] : logged;
  }

  fit(lifter: Lifter, observations: readonly HoldObservation[]): HoldCurve {
    return fitHoldCurve(observations, fitOptions(lifter));
  }

  /** The curve of what is pinched; it has one of its own. */
  async pinchCurve(club: ClubRef, lifter: Lifter): Promise<HoldCurve> {
    return fitHoldCurve(await this.observations(club, lifter, 'pinch'), {
      ...fitOptions(lifter),
      family: 'pinch',
      referenceLoad: PINCH_REFERENCE_SHARE_OF_DEADLIFT * lifter.deadliftMax,
    });
  }

  /** Which hand was under in the mixed-grip sets and holds of the recent log. */
  async ledger(club: ClubRef, lifterId: string): Promise<MixedLedger> {
    const since = shiftDay(this.days.today(club), -MEMORY_DAYS);
    const [sets, holds] = await Promise.all([
      this.log.setsSince([lifterId], since),
      this.log.holdsSince([lifterId], since),
    ]);
    return mixedLedger([
      ...sets.flatMap((set) =>
        set.grip === 'mixed' && !set.strapped && set.sideUnder
          ? [
              {
                ...{ sideUnder: set.sideUnder, reps: set.reps, load: set.load },
                seconds: demandOfLogged(set).seconds,
              },
            ]
          : [],
      ),
      ...holds.flatMap(({ grip, sideUnder, load, seconds }) =>
        grip === 'mixed' && sideUnder ? [{ sideUnder, reps: 1, load, seconds }] : [],
      ),
    ]);
  }
}

/** What a lifter's curve starts from beside the log. */
export function fitOptions({ deadliftMax, handLength }: Lifter): FitOptions {
  return {
    referenceLoad: REFERENCE_SHARE_OF_DEADLIFT * deadliftMax,
    ...(handLength !== null && { handLength }),
  };
}

/** The best deadlift as it was told, until the log holds as heavy a pull. */
function bestOf(
  { deadliftMax, sport, bestPulled, bestChalk, deadliftOn }: ObservedLifter,
  sets: readonly Pick<LoggedSet, 'liftId' | 'load' | 'slippedAtRep'>[],
  today: string,
): LoggedObservation | undefined {
  const pulls = sets.filter(
    (set) => set.slippedAtRep === null && findLift(set.liftId)?.family === 'deadlift',
  );
  const ageDays = deadliftOn ? Math.max(0, daysBetween(deadliftOn, today)) : 0;
  const observed = observeBestPull({
    ...{ load: deadliftMax, pulled: bestPulled, sport, ageDays },
    ...(bestChalk && { chalk: bestChalk }),
    heaviestLogged: Math.max(0, ...pulls.map((set) => set.load)),
  });
  return observed && { ...observed, ageDays, source: 'best', sessionId: '' };
}
