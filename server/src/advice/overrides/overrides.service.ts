import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import type { OverrideRequest } from '@iron-clasp/contract';
import { DataSource } from 'typeorm';
import { Clock } from '../../platform/clock/clock.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { notFound, Problem } from '../../platform/http/problem.ts';
import { CallOverridesService } from '../../records/call-overrides/call-overrides.service.ts';
import { LogService } from '../../records/log/log.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { SessionFactsService } from '../../evidence/session/session-facts.service.ts';
import { setsAlike } from '../planning/programs.service.ts';
import { CallsService } from '../calls/calls.service.ts';

/** What a coach decides against a call; a safety, event, venue or lift rule is not overridden. */
@Injectable()
export class OverridesService {
  constructor(
    private readonly db: DataSource,
    private readonly log: LogService,
    private readonly kept: CallOverridesService,
    private readonly training: TrainingService,
    private readonly facts: SessionFactsService,
    private readonly calls: CallsService,
    private readonly clock: Clock,
  ) {}

  /** Keeps a decision against the call. Where a rule bars it, nothing is kept and the rule is named. */
  async decide(
    club: ClubRef,
    by: string,
    sessionId: string,
    id: string,
    body: OverrideRequest,
  ): Promise<void> {
    const facts = await this.facts.of(club, sessionId);
    const setIds = [...body.plannedSetIds].sort();
    if (setIds.some((setId) => !facts.sets.some((set) => set.id === setId))) throw notFound('set');
    const { choice, reason } = body;
    const sideUnder = choice === 'mixed' ? (body.sideUnder ?? null) : null;
    const repeats = body.repeats ?? false;
    const said = { id, choice, sideUnder, reason, repeats, setIds };
    const wanted = { ...said, by: 'The coach', at: '', undoneBy: null, undoneAt: null };
    const refused = this.calls
      .callAll({ ...facts, overrides: [wanted] })
      .find((call) => call.overrideRefused);
    if (refused) throw new Problem(409, 'override-refused', refused.overrideRefused!.text);
    const { lifterId } = facts.session;
    const row = {
      ...{ clubId: club.id, lifterId, choice, sideUnder, reason, repeats },
      ...{ madeBy: by, madeAt: this.clock.now(), undoneBy: null, undoneAt: null },
    };
    await this.db.transaction(async (manager) => {
      const { fresh } = await this.kept.keep({ ...row, id, sessionId }, setIds, manager);
      // Sent again, the later weeks have it already.
      if (!repeats || !fresh) return;
      const later = await this.training.laterInSeries(facts.session, manager);
      const begun = await this.log.started(
        later.map((each) => each.id),
        manager,
      );
      const open = later.filter((each) => !begun.has(each.id));
      const sets = await this.training.plannedSets(
        open.map((each) => each.id),
        manager,
      );
      for (const session of open) {
        const own = sets.filter((set) => set.sessionId === session.id);
        const there = setsAlike(setIds, facts.sets, own);
        if (there.length > 0)
          await this.kept.keep({ ...row, id: randomUUID(), sessionId: session.id }, there, manager);
      }
    });
  }

  /** Takes a decision back; it stays on record with who undid it and when. */
  async undo(club: ClubRef, by: string, sessionId: string, id: string): Promise<void> {
    await this.training.known(club.id, sessionId);
    await this.kept.undo(club.id, sessionId, id, by, this.clock.now());
  }
}
