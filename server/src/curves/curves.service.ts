import { Injectable } from '@nestjs/common';
import {
  fitHoldCurve,
  holdProbability,
  medianLoad,
  REFERENCE_SHARE_OF_DEADLIFT,
  worthOf,
  type HoldCurve,
} from '@iron-clasp/core';
import type { CurvePoint, CurveView } from '@iron-clasp/contract';
import { Clock } from '../clock.ts';
import type { Lifter } from '../lifters/lifter.entity.ts';
import { LogRepository, type LoggedObservation } from '../log/log.repository.ts';

/** Stops that were nearly certain say little; a drawing leaves them out. */
const TELLING_BELOW = 0.97;
const MOST_POINTS = 400;

@Injectable()
export class CurvesService {
  constructor(
    private readonly log: LogRepository,
    private readonly clock: Clock,
  ) {}

  async observations(lifterId: string): Promise<LoggedObservation[]> {
    return this.log.observations(lifterId, this.clock.today());
  }

  fit(lifter: Lifter, observations: readonly LoggedObservation[]): HoldCurve {
    return fitHoldCurve(observations, { referenceLoad: REFERENCE_SHARE_OF_DEADLIFT * lifter.deadliftMax });
  }

  readOuts(curve: HoldCurve): CurveView['readOuts'] {
    return {
      tenSeconds: medianLoad(curve, { seconds: 10 }),
      thirtySeconds: medianLoad(curve, { seconds: 30 }),
      worth: (['mixed', 'hook', 'noChalk'] as const).map((effect) => ({
        effect,
        estimate: worthOf(curve, effect)!,
      })),
    };
  }

  /** The points worth drawing: every hold and slip, and those stops that came near the limit; the newest first. */
  points(curve: HoldCurve, observations: readonly LoggedObservation[]): CurvePoint[] {
    return observations
      .filter(
        (each) =>
          each.source === 'hold' || each.ended === 'slipped' || holdProbability(curve, each) < TELLING_BELOW,
      )
      .sort((a, b) => a.ageDays - b.ageDays)
      .slice(0, MOST_POINTS)
      .map(({ load, seconds, ended, grip, ageDays, source }) => ({
        load,
        seconds,
        ended,
        grip: grip!,
        ageDays,
        source,
      }));
  }
}
