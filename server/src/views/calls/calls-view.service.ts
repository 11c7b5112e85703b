import { Injectable } from '@nestjs/common';
import type { CallsView } from '@iron-clasp/contract';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { OnceFor } from '../../platform/memory/once-for.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import { SessionFactsService, type SessionFacts } from '../../evidence/session/session-facts.service.ts';
import { CallsService } from '../../advice/calls/calls.service.ts';
import { SessionHoldsService } from '../../advice/holds/session-holds.service.ts';
import { faultsOf } from '../../advice/planning/plan-faults.ts';
import { calledSet, headOf, loggedHold, overridesOf } from './call-views.ts';

/** A session as it is called now: every set with its reasons, the hold, and what is logged. */
@Injectable()
export class CallsViewService {
  /** Facts stand for as long as what they and the venues of their club say. */
  readonly #said = new OnceFor<SessionFacts, CallsView>();

  constructor(
    private readonly facts: SessionFactsService,
    private readonly kit: KitService,
    private readonly calls: CallsService,
    private readonly holds: SessionHoldsService,
  ) {}

  async session(club: ClubRef, sessionId: string): Promise<CallsView> {
    return this.of(club, await this.facts.of(club, sessionId));
  }

  of(club: ClubRef, facts: SessionFacts): Promise<CallsView> {
    return this.#said.later(facts, () => this.say(club, facts));
  }

  private async say(club: ClubRef, facts: SessionFacts): Promise<CallsView> {
    const [venues, holds] = await Promise.all([this.kit.venues(club.id), this.holds.of(club, facts)]);
    const calls = this.calls.callAll(facts);
    const faults = new Map(faultsOf(facts.sets, facts.kit).map((fault) => [fault.set, fault]));
    const done = new Map(facts.setsDone.map((row) => [row.plannedSetId, row]));
    return {
      session: headOf(facts, venues),
      sets: facts.sets.map((set, i) => ({
        ...calledSet(set, calls[i]!, facts, done.get(set.id)),
        ...overridesOf(set, facts.overrides),
        fault: faults.get(i) ?? null,
      })),
      holds,
      holdsDone: facts.holdsDone.map(loggedHold),
      evidence: facts.curve.evidence,
      heldDaysAgo: heldDaysAgo(facts),
    };
  }
}

function heldDaysAgo({ observations }: SessionFacts): number | null {
  const ages = observations.filter((each) => !each.best).map(({ ageDays = 0 }) => ageDays);
  return ages.length === 0 ? null : ages.reduce((least, age) => Math.min(least, age));
}
