import { Injectable } from '@nestjs/common';
import { findLift } from '@iron-clasp/core';
import type { DayCell, DayWeek } from '@iron-clasp/contract';
import { shiftDay } from '../../platform/days/club-day.ts';
import { HoldBlocksService } from '../../records/hold-blocks/hold-blocks.service.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import type { Meet } from '../../records/meets/meet.entity.ts';
import type { PlannedSet, TrainingSession } from '../../records/training/training.entity.ts';
import { TrainingService } from '../../records/training/training.service.ts';

/** Days shown, today the first. */
export const DAYS_AHEAD = 7;
/** Lifters shown; the rest are counted. */
const MOST_ROWS = 24;

/** The coming days of the club: who trains when, what is heavy, held, and where a block or a meet lies. */
@Injectable()
export class WeekAheadService {
  constructor(
    private readonly training: TrainingService,
    private readonly blocks: HoldBlocksService,
  ) {}

  /**
   * @param sessions of those days, all lifters of the club.
   * @param meets the next of each lifter.
   */
  async of(
    today: string,
    lifters: readonly Lifter[],
    sessions: readonly TrainingSession[],
    meets: ReadonlyMap<string, Meet>,
  ): Promise<DayWeek> {
    const days = Array.from({ length: DAYS_AHEAD }, (_, i) => shiftDay(today, i));
    const last = days.at(-1)!;
    const meetSoon = ({ id }: Lifter): boolean => (meets.get(id)?.heldOn ?? '9999') <= last;
    const trains = new Set(sessions.map((session) => session.lifterId));
    const busy = lifters.filter((lifter) => meetSoon(lifter) || trains.has(lifter.id));
    const shown = busy.slice(0, MOST_ROWS);
    const ids = shown.map((lifter) => lifter.id);
    const own = sessions.filter((session) => ids.includes(session.lifterId));
    const [sets, marks] = await Promise.all([
      this.training.plannedSets(own.map((session) => session.id)),
      this.blocks.blocksOf(ids, today, last),
    ]);
    const heavy = new Set(sets.filter(isHeavy).map((set) => set.sessionId));
    return {
      days,
      more: busy.length - shown.length,
      rows: shown.map(({ id, name }) => ({
        lifterId: id,
        lifterName: name,
        cells: days.map((day): DayCell => {
          const meet = meets.get(id);
          const block = marks.find(
            (mark) => mark.lifterId === id && mark.startsOn <= day && mark.endsOn >= day,
          );
          return {
            sessions: own
              .filter((session) => session.lifterId === id && session.heldOn === day)
              .map((session) => ({
                ...{ id: session.id, title: session.title, holds: session.holds.length },
                heavy: heavy.has(session.id),
              })),
            block: block?.label ?? null,
            meet: meet?.heldOn === day ? meet.name : null,
          };
        }),
      })),
    };
  }
}

/** A top set or an attempt of a deadlift: the day's heaviest pull. */
function isHeavy({ liftId, role }: PlannedSet): boolean {
  return (role === 'top' || role === 'attempt') && findLift(liftId)?.family === 'deadlift';
}
