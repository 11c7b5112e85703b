import { Injectable } from '@nestjs/common';
import {
  checkGripWeek,
  gripWork,
  gripWorkByWeek,
  HOLD_KINDS,
  holdLift,
  KIT_NEEDS,
  planForearmWeek,
  SIDES,
  type HoldKindId,
} from '@iron-clasp/core';
import type { GripWeekView, HoldKindView, HoldsView, NextHoldView } from '@iron-clasp/contract';
import { mondayOf, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import type { KnownDecision } from '../../records/hold-decisions/hold-decisions.service.ts';
import { KitService, type VenueKit } from '../../records/kit/kit.service.ts';
import type { LoggedHold } from '../../records/log/log.entity.ts';
import type { TrainingSession } from '../../records/training/training.entity.ts';
import {
  clashViews,
  forearmDays,
  gripEventsOf,
  gripItems,
  weekOf,
} from '../../evidence/holds/grip-events.ts';
import {
  HoldFactsService,
  WEEKS_AHEAD,
  WEEKS_BACK,
  type HoldFacts,
} from '../../evidence/holds/hold-facts.service.ts';
import { missingFor } from '../../evidence/holds/hold-kit.ts';
import { LifterTodayService } from '../../evidence/lifter-today/lifter-today.service.ts';
import { wantsBodyMass } from '../../advice/holds/hold-prescriber.ts';
import { proposalOf } from '../../advice/holds/plan-blocks.service.ts';
import { SessionHoldPlansService } from '../../advice/holds/session-hold-plans.service.ts';
import { loggedHold } from '../calls/call-views.ts';

@Injectable()
export class HoldsViewService {
  constructor(
    private readonly facts: HoldFactsService,
    private readonly lifters: LifterTodayService,
    private readonly kit: KitService,
    private readonly plans: SessionHoldPlansService,
  ) {}

  /** The lifter's hold work over the weeks, what comes next of each kind, and the balance of the week. */
  async view(club: ClubRef, lifterId: string): Promise<HoldsView> {
    const facts = await this.facts.of(club, lifterId);
    const { profile, today, sessions, holds, sets, decisions, blocks } = facts;
    const monday = mondayOf(today);
    const items = gripItems(sets, holds, profile.lifter.bodyMass);
    const work = { today, items, curves: { support: facts.curve } };
    const done = new Map<string, LoggedHold[]>();
    for (const hold of holds) {
      const key = `${hold.sessionId} ${hold.kind}`;
      done.set(key, [...(done.get(key) ?? []), hold]);
    }
    const coming = sessions.filter((session) => session.heldOn >= today && !session.finished);
    return {
      today,
      weeks: Array.from({ length: WEEKS_BACK + WEEKS_AHEAD + 1 }, (_, i) =>
        shiftDay(monday, 7 * (i - WEEKS_BACK)),
      ),
      meetOn: profile.nextMeet?.heldOn ?? null,
      kinds: await this.kindViews(club, facts),
      planned: coming
        .filter((session) => session.hasHold)
        .map((session) => ({
          sessionId: session.id,
          version: session.version,
          on: session.heldOn,
          title: session.title,
          kind: session.holdKind,
          blockId: session.holdBlockId,
          decision: decisionOn(session, decisions),
        })),
      done: [...done.values()].map((each) => ({
        sessionId: each[0]!.sessionId,
        on: each[0]!.trainingDay,
        kind: each[0]!.kind,
        holds: each.map(loggedHold),
      })),
      blocks: blocks.map((block) => ({
        id: block.id,
        version: block.version,
        label: block.label,
        kind: block.holdKind,
        from: block.startsOn,
        to: block.endsOn,
        sessionsAWeek: block.sessionsAWeek,
      })),
      proposal: proposalOf(facts),
      work: gripWork(work),
      workByWeek: gripWorkByWeek(work, WEEKS_BACK),
      week: this.weekView(facts, monday),
      nextWeek: this.weekView(facts, shiftDay(monday, 7)),
      sessions: coming.map((session) => ({
        id: session.id,
        version: session.version,
        on: session.heldOn,
        title: session.title,
        hasHold: session.hasHold,
      })),
    };
  }

  private async kindViews(club: ClubRef, facts: HoldFacts): Promise<HoldKindView[]> {
    const usual = await this.lifters.usualVenue(club, facts.profile.lifter.id);
    const kit = usual ? await this.kit.at(club.id, usual) : null;
    return Promise.all(HOLD_KINDS.map((kind) => this.kindView(club, kind, facts, kit)));
  }

  private async kindView(
    club: ClubRef,
    kind: HoldKindId,
    facts: HoldFacts,
    usual: VenueKit | null,
  ): Promise<HoldKindView> {
    const { sessions, today, profile, kits } = facts;
    const next = sessions.find(
      (session) =>
        session.heldOn >= today && !session.finished && session.hasHold && session.holdKind === kind,
    );
    const kit = (next && kits.get(next.id)) ?? usual;
    const wants = wantsBodyMass(kind, profile);
    return {
      kind,
      missing: kit ? missingFor(kind, kit) : [],
      wantsBodyMass: wants,
      next: next && kits.has(next.id) && !wants ? await this.nextView(club, facts, next) : null,
    };
  }

  private async nextView(club: ClubRef, facts: HoldFacts, session: TrainingSession): Promise<NextHoldView> {
    const decision = decisionOn(session, facts.decisions);
    return {
      sessionId: session.id,
      version: session.version,
      on: session.heldOn,
      title: session.title,
      venue: facts.kits.get(session.id)!.venue.name,
      prescription: await this.plans.prescribe(club, facts, session, decision),
      decision,
      history: facts.holds.filter((hold) => hold.kind === session.holdKind).length,
    };
  }

  /** One week's forearm work as it would close the gaps, and what clashes in it. */
  private weekView(facts: HoldFacts, monday: string): GripWeekView {
    const { profile, contents, kits, sessions } = facts;
    const days = Array.from({ length: 7 }, (_, i) => shiftDay(monday, i));
    const week = contents.filter((session) => session.on >= monday && session.on <= days[6]!);
    const first = sessions.find((session) => session.heldOn >= monday && kits.has(session.id));
    const kit = first && kits.get(first.id);
    const counts = new Map<string, number>();
    for (const { sets, hold } of week)
      for (const lift of [...sets.map((set) => set.liftId), ...(hold ? [holdLift(hold).id] : [])])
        counts.set(lift, (counts.get(lift) ?? 0) + 1);
    const events = gripEventsOf(week, profile.school);
    return {
      from: monday,
      forearm: planForearmWeek({
        days: forearmDays(days, contents),
        kit: kit?.venue.has ?? KIT_NEEDS,
        planned: [...counts].map(([lift, sets]) => ({ lift, sets: Math.min(sets, 100) })),
        elbowPain: Math.max(...SIDES.map((side) => profile.hands[side].elbowPain)),
      }),
      clashes: clashViews(checkGripWeek(weekOf(events, profile)), events),
    };
  }
}

function decisionOn(session: TrainingSession, decisions: readonly KnownDecision[]): KnownDecision | null {
  return (
    decisions.find(
      (each) => each.sessionId === session.id && each.kind === session.holdKind && !each.undone,
    ) ?? null
  );
}
