import { Injectable } from '@nestjs/common';
import type { MassUnit } from '@iron-clasp/core';
import type { ProgramView } from '@iron-clasp/contract';
import { mondayOf, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { LogService } from '../../records/log/log.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { linesOf, roleOfLine } from './session-lines.ts';

/** Weeks that are shown at a time, and how far ahead it is told that there are more. */
const SHOWN = 4;
const MOST_AHEAD = 52;

/** A lifter's program week by week, with what each session holds. */
@Injectable()
export class ProgramWeeksService {
  constructor(
    private readonly lifters: LiftersService,
    private readonly training: TrainingService,
    private readonly log: LogService,
    private readonly days: Days,
  ) {}

  /** The weeks from that of a day on. */
  async view(club: ClubRef, lifterId: string, day: string, unit: MassUnit): Promise<ProgramView> {
    const lifter = await this.lifters.known(club.id, lifterId);
    const from = mondayOf(day);
    const after = shiftDay(from, 7 * SHOWN);
    const ahead = await this.training.between(lifterId, from, shiftDay(after, 7 * MOST_AHEAD - 1));
    const shown = ahead.filter(({ heldOn }) => heldOn < after);
    const ids = shown.map(({ id }) => id);
    const [sets, begun] = await Promise.all([this.training.plannedSets(ids), this.log.started(ids)]);
    return {
      today: this.days.today(club),
      weeks: Array.from({ length: SHOWN }, (_, i) => shiftDay(from, 7 * i)),
      sessions: shown.map(({ id, version, heldOn, title, finished, rehearsesMeet, lines, holds }) => ({
        ...{ id, version, on: heldOn, title, rehearsesMeet },
        begun: finished || begun.has(id),
        lines: (
          lines ??
          linesOf(
            sets.filter(({ sessionId, role }) => sessionId === id && role !== 'warmup'),
            unit,
          )
        ).map((line) => ({ ...line, role: roleOfLine(line, lifter, unit) })),
        holds: holds.map(({ kind }) => kind),
      })),
      later: ahead.length - shown.length,
    };
  }
}
