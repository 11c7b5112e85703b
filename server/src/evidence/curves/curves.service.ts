import { Injectable } from '@nestjs/common';
import {
  findLift,
  curveOn,
  mixedLedger,
  observeBestPull,
  PINCH_REFERENCE_SHARE_OF_DEADLIFT,
  observeLog,
  REFERENCE_SHARE_OF_DEADLIFT,
  trialsOfLog,
  type CurveFamily,
  type FitOptions,
  type HoldCurve,
  type HoldObservation,
  type HoldTrial,
  type LoggedWork,
  type MixedLedger,
  type MovingCurve,
} from '@iron-clasp/core';
import { daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import type { LoggedHold, LoggedSet } from '../../records/log/log.entity.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import { demandOfLogged } from '../log/demand-of-logged.ts';
import { CurveFitsService } from './curve-fits.service.ts';
import type { CountedSet } from '../../records/log/log.repository.ts';
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

/** Days of the log that a curve rests on: over a year ago slope and effects were another lifter's. */
export const MEMORY_DAYS = 400;
/** Days over which mixed-grip sides are counted. */
const LEDGER_DAYS = 200;

type Aged<Row, Source> = Row & { readonly ageDays: number; readonly source: Source };

/** A lifter's recent log as the core reads it, on the day on which it was read. */
interface WorkOfLifter {
  readonly work: LoggedWork<
    Aged<CountedSet & { readonly strapped: boolean }, 'set'>,
    Aged<LoggedHold, 'hold'>
  >;
  readonly today: string;
}

/** How long a lifter's hands hold what, from everything logged. */
@Injectable()
export class CurvesService {
  constructor(
    private readonly log: LogService,
    private readonly days: Days,
    private readonly fits: CurveFitsService,
  ) {}

  /** Every bare-handed hold and set of the lifter's recent log, as the clasp curve takes them; read anew when it has changed. */
  async observations(
    club: ClubRef,
    lifter: ObservedLifter,
    family: CurveFamily = 'support',
  ): Promise<readonly LoggedObservation[]> {
    const { id, bodyMass, deadliftMax, sport, bestPulled, bestChalk, deadliftOn } = lifter;
    const on = [this.days.today(club), bodyMass, deadliftMax, sport, bestPulled, bestChalk, deadliftOn];
    return this.log.untilLogged(`observations ${family}`, id, on, () => this.readLog(club, lifter, family));
  }

  private async readLog(
    club: ClubRef,
    lifter: ObservedLifter,
    family: CurveFamily,
  ): Promise<readonly LoggedObservation[]> {
    const { work, today } = await this.workOf(club, lifter);
    const logged = observeLog(work, family).map(({ of, ...observation }) => ({
      ...observation,
      ageDays: of.ageDays,
      source: of.source,
      sessionId: of.sessionId,
    }));
    const best = family === 'support' ? bestOf(lifter, work.sets, today) : undefined;
    return best ? [...logged, best] : logged;
  }

  /** What the same log asked of the hands, and whether they held it. */
  async trials(club: ClubRef, lifter: ObservedLifter): Promise<HoldTrial[]> {
    return trialsOfLog((await this.workOf(club, lifter)).work, 'support');
  }

  /** The lifter's recent log, each row with its age. */
  private async workOf(club: ClubRef, { id, bodyMass }: ObservedLifter): Promise<WorkOfLifter> {
    const today = this.days.today(club);
    const since = shiftDay(today, -MEMORY_DAYS);
    const [sets, holds] = await Promise.all([
      this.log.countedSets(id, since),
      this.log.holdsSince([id], shiftDay(since, 1)),
    ]);
    // A day is read once, however many rows lie on it.
    const ages = new Map<string, number>();
    const ageOf = (day: string): number => {
      const known = ages.get(day) ?? Math.max(0, daysBetween(day, today));
      ages.set(day, known);
      return known;
    };
    const aged = <Row extends { readonly trainingDay: string }>(row: Row): Row & { ageDays: number } =>
      Object.assign(row, { ageDays: ageOf(row.trainingDay) });
    const work = {
      sets: sets.map((set) => ({ ...aged(set), strapped: false, source: 'set' as const })),
      holds: holds.map((hold) => ({ ...aged(hold), source: 'hold' as const })),
      bodyMass,
    };
    return { work, today };
  }

  /** How the lifter's hands moved, by the whole log as {@link observations} reads it. */
  moving(lifter: Lifter, observations: readonly HoldObservation[]): Promise<MovingCurve> {
    return this.fits.ofLog(lifter, observations, fitOptions(lifter));
  }

  /** The curve of today by the whole log. */
  async fit(lifter: Lifter, observations: readonly HoldObservation[]): Promise<HoldCurve> {
    return curveOn(await this.moving(lifter, observations), 0);
  }

  /** The curve of today by a part of the log, as before a session. */
  fitPart(lifter: Lifter, observations: readonly HoldObservation[]): HoldCurve {
    return curveOn(this.fits.of(observations, fitOptions(lifter)), 0);
  }

  /** The curve of what is pinched; it has one of its own. */
  async pinchCurve(club: ClubRef, lifter: Lifter): Promise<HoldCurve> {
    const observations = await this.observations(club, lifter, 'pinch');
    const moving = await this.fits.ofLog(lifter, observations, {
      ...fitOptions(lifter),
      family: 'pinch',
      referenceLoad: PINCH_REFERENCE_SHARE_OF_DEADLIFT * lifter.deadliftMax,
    });
    return curveOn(moving, 0);
  }

  /** Which hand was under in the mixed-grip sets and holds of the recent log. */
  ledger(club: ClubRef, lifterId: string): Promise<MixedLedger> {
    const since = shiftDay(this.days.today(club), -LEDGER_DAYS);
    return this.log.untilLogged('ledger', lifterId, [since], async () => {
      const { sets, holds } = await this.log.mixedSince(lifterId, since);
      return mixedLedger([
        ...sets.map((set) => ({
          ...{ sideUnder: set.sideUnder!, reps: set.reps, load: set.load },
          seconds: demandOfLogged(set).seconds,
        })),
        ...holds.map(({ sideUnder, load, seconds }) => ({ sideUnder: sideUnder!, reps: 1, load, seconds })),
      ]);
    });
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
