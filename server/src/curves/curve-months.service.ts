import { Injectable } from '@nestjs/common';
import { curveOverTime, REFERENCE_SHARE_OF_DEADLIFT } from '@iron-clasp/core';
import type { CurveMonthsView } from '@iron-clasp/contract';
import { format, parseISO, subDays } from 'date-fns';
import { Clock } from '../clock.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import { LogRepository } from '../log/log.repository.ts';

/** How far back the curve is shown, and the step between two of it, days. */
const BACK = 182;
const STEP = 14;
/** Observations are wanted as far back again for the oldest curve, days. */
const MEMORY_DAYS = BACK + 200;

@Injectable()
export class CurveMonthsService {
  constructor(
    private readonly lifters: LiftersService,
    private readonly log: LogRepository,
    private readonly clock: Clock,
  ) {}

  /** How the lifter's curve moved over half a year, a fit every fortnight from what was logged by then. */
  async view(clubId: string, lifterId: string): Promise<CurveMonthsView> {
    const { lifter } = await this.lifters.profile(clubId, lifterId);
    const today = this.clock.today();
    const observations = await this.log.observations(lifterId, today, MEMORY_DAYS);
    const oldest = Math.max(0, ...observations.map((each) => each.ageDays));
    const days = Array.from({ length: BACK / STEP + 1 }, (_, i) => BACK - i * STEP);
    const known = days.filter((ago) => ago === 0 || ago <= oldest);
    const then = curveOverTime(observations, known, {
      referenceLoad: REFERENCE_SHARE_OF_DEADLIFT * lifter.deadliftMax,
    });
    return {
      then: then.map(({ daysAgo, curve, tenSeconds, thirtySeconds }) => ({
        on: format(subDays(parseISO(today), daysAgo), 'yyyy-MM-dd'),
        curve,
        tenSeconds,
        thirtySeconds,
      })),
    };
  }
}
