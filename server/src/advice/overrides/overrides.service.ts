import { Injectable } from '@nestjs/common';
import type { OverrideRequest } from '@iron-clasp/contract';
import { Clock } from '../../platform/clock/clock.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { notFound, Problem } from '../../platform/http/problem.ts';
import { CallOverridesService } from '../../records/call-overrides/call-overrides.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { SessionFactsService } from '../../evidence/session/session-facts.service.ts';
import { CallsService } from '../calls/calls.service.ts';

/** What a coach decides against a call; a safety, event, venue or lift rule is not overridden. */
@Injectable()
export class OverridesService {
  constructor(
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
    const said = { id, choice, sideUnder, reason, setIds };
    const wanted = { ...said, by: 'The coach', at: '', undoneBy: null, undoneAt: null };
    const refused = this.calls
      .callAll({ ...facts, overrides: [wanted] })
      .find((call) => call.overrideRefused);
    if (refused) throw new Problem(409, 'override-refused', refused.overrideRefused!.text);
    const { lifterId } = facts.session;
    await this.kept.keep(
      {
        ...{ id, clubId: club.id, lifterId, sessionId, choice, sideUnder, reason },
        ...{ madeBy: by, madeAt: this.clock.now(), undoneBy: null, undoneAt: null },
      },
      setIds,
    );
  }

  /** Takes a decision back; it stays on record with who undid it and when. */
  async undo(club: ClubRef, by: string, sessionId: string, id: string): Promise<void> {
    await this.training.known(club.id, sessionId);
    await this.kept.undo(club.id, sessionId, id, by, this.clock.now());
  }
}
