import { Injectable } from '@nestjs/common';
import type { ProgramMark, ProgramMarksView } from '@iron-clasp/contract';
import { mondayOf, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { LifterTodayService } from '../../evidence/lifter-today/lifter-today.service.ts';
import { SessionFactsService, type SessionFacts } from '../../evidence/session/session-facts.service.ts';
import { CallsService } from './calls.service.ts';

/** The grips that the sessions of a program are called with, as things are today. */
@Injectable()
export class WeekMarksService {
  constructor(
    private readonly lifters: LifterTodayService,
    private readonly training: TrainingService,
    private readonly facts: SessionFactsService,
    private readonly calls: CallsService,
  ) {}

  /** Of the week of a day: each session that is not over, with the call of the heaviest set of each lift and role. */
  async ofWeek(club: ClubRef, lifterId: string, day: string): Promise<ProgramMarksView> {
    const profile = await this.lifters.profile(club, lifterId);
    const monday = mondayOf(day);
    const sessions = await this.training.between(lifterId, monday, shiftDay(monday, 6));
    const ahead = sessions.filter(({ finished, heldOn }) => !finished && heldOn >= profile.today);
    return {
      sessions: await Promise.all(
        ahead.map(async (session) => ({
          id: session.id,
          marks: this.marksOf(await this.facts.ofSession(club, session)),
        })),
      ),
    };
  }

  private marksOf(facts: SessionFacts): ProgramMark[] {
    const calls = this.calls.callAll(facts);
    const heaviest = new Map<string, { load: number; mark: ProgramMark }>();
    facts.sets.forEach(({ liftId, role, load }, i) => {
      const { choice, sideUnder = null } = calls[i]!;
      const key = `${liftId} ${role}`;
      const known = heaviest.get(key);
      if (choice === null || role === 'warmup' || (known && known.load >= load)) return;
      heaviest.set(key, { load, mark: { liftId, role, choice, sideUnder } });
    });
    return [...heaviest.values()].map(({ mark }) => mark);
  }
}
