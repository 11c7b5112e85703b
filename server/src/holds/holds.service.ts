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
import type {
  GripWeekView,
  HoldDecisionRequest,
  HoldKindView,
  HoldsView,
  NextHoldView,
} from '@iron-clasp/contract';
import { loggedHold } from '../calls/call-views.ts';
import { Clock } from '../clock.ts';
import { changedMeanwhile, notFound, Problem } from '../http/problem.ts';
import { KitRepository } from '../kit/kit.repository.ts';
import { LiftersRepository } from '../lifters/lifters.repository.ts';
import type { LoggedHold } from '../log/log.entity.ts';
import { LogRepository } from '../log/log.repository.ts';
import { easingOn } from '../squeeze/squeeze-tests.ts';
import type { TrainingSession } from '../training/training.entity.ts';
import { TrainingRepository } from '../training/training.repository.ts';
import { refusedBecause } from './decided-hold.ts';
import { clashViews, forearmDays, gripEventsOf, gripItems, weekOf } from './grip-events.ts';
import { proposalOf } from './hold-blocks.service.ts';
import { HoldFactsService, mondayOf, shift, WEEKS_AHEAD, WEEKS_BACK, type HoldFacts } from './hold-facts.ts';
import { missingFor } from './hold-kit.ts';
import { HoldPrescriber, wantsBodyMass } from './hold-prescriber.ts';
import { HoldsRepository, type KnownDecision } from './holds.repository.ts';

@Injectable()
export class HoldsService {
  constructor(
    private readonly kept: HoldsRepository,
    private readonly facts: HoldFactsService,
    private readonly rows: LiftersRepository,
    private readonly training: TrainingRepository,
    private readonly kit: KitRepository,
    private readonly log: LogRepository,
    private readonly prescriber: HoldPrescriber,
    private readonly clock: Clock,
  ) {}

  /** The lifter's hold work over the weeks, what comes next of each kind, and the balance of the week. */
  async view(clubId: string, lifterId: string): Promise<HoldsView> {
    const facts = await this.facts.of(clubId, lifterId);
    const { profile, today, sessions, holds, sets, decisions, blocks } = facts;
    const monday = mondayOf(today);
    const items = gripItems(sets, holds, profile.lifter.bodyMass);
    const work = { today, items, curves: { support: facts.curve } };
    const done = new Map<string, (LoggedHold & { on: string })[]>();
    for (const hold of holds) {
      const key = `${hold.sessionId} ${hold.kind}`;
      done.set(key, [...(done.get(key) ?? []), hold]);
    }
    const coming = sessions.filter((session) => session.heldOn >= today && !session.finished);
    return {
      today,
      weeks: Array.from({ length: WEEKS_BACK + WEEKS_AHEAD + 1 }, (_, i) =>
        shift(monday, 7 * (i - WEEKS_BACK)),
      ),
      meetOn: profile.nextMeet?.heldOn ?? null,
      kinds: await Promise.all(HOLD_KINDS.map((kind) => this.kindView(clubId, kind, facts))),
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
        on: each[0]!.on,
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
      nextWeek: this.weekView(facts, shift(monday, 7)),
      sessions: coming.map((session) => ({
        id: session.id,
        version: session.version,
        on: session.heldOn,
        title: session.title,
        hasHold: session.hasHold,
      })),
    };
  }

  /** Puts a kind of hold after a session's lifts, or takes it out, if the page that asks saw its latest version. */
  async plan(clubId: string, sessionId: string, kind: HoldKindId | null, version: number): Promise<string> {
    const session = await this.session(clubId, sessionId);
    const same = session.hasHold === (kind !== null) && (kind === null || session.holdKind === kind);
    if (same) return session.lifterId;
    if (session.finished)
      throw new Problem(
        409,
        'session-started',
        'This session is over: plan the hold in one that is to come.',
      );
    const holds = await this.log.holdsOf(sessionId);
    if (holds.length > 0)
      throw new Problem(
        409,
        'session-started',
        'A hold of this session is already logged, so what is held stays. Undo it on the floor first.',
      );
    const changed = await this.training.change([{ ...session, version }], () => ({
      hasHold: kind !== null,
      holdKind: kind ?? 'frontRackHold',
      holdBlockId: null,
    }));
    if (!changed) throw changedMeanwhile('session');
    return session.lifterId;
  }

  /** Keeps a decision on the session's hold; what a safety rule bars is refused, naming the rule. */
  async decide(
    clubId: string,
    accountId: string,
    sessionId: string,
    id: string,
    body: HoldDecisionRequest,
  ): Promise<string> {
    const session = await this.session(clubId, sessionId);
    if (!session.hasHold)
      throw new Problem(409, 'no-hold', 'This session has no hold. Plan one first, then decide on it.');
    const reason = body.reason?.trim() || null;
    if (body.what !== 'accepted' && (reason?.length ?? 0) < 3)
      throw new Problem(400, 'invalid-input', WHY, [{ path: 'reason', message: WHY }]);
    const facts = await this.facts.of(clubId, session.lifterId);
    const prescribed = await this.prescribe(facts, session, null);
    const refused = refusedBecause(prescribed);
    if (refused && body.what !== 'skipped') throw new Problem(409, 'override-refused', refused);
    if (prescribed.barred && body.what === 'accepted')
      throw new Problem(
        409,
        'hold-barred',
        `${prescribed.barred.text} Change it with a reason, or skip it: it cannot be accepted as it stands.`,
      );
    const figures = body.what === 'skipped' ? null : prescribed;
    const row = {
      id,
      sessionId,
      what: body.what,
      kind: session.holdKind,
      sets: figures && (body.sets ?? figures.sets),
      seconds: figures && (body.seconds ?? figures.seconds),
      load: figures && (body.load ?? figures.load),
      reason,
      madeBy: accountId,
      madeAt: this.clock.now(),
      undoneBy: null,
      undoneAt: null,
    };
    const stored = await this.kept.keep(row);
    if (stored.sessionId !== sessionId || stored.what !== body.what || stored.reason !== reason)
      throw new Problem(
        409,
        'decided-differently',
        'Something else is already decided under this entry. The first decision was kept; reload to see it.',
      );
    return session.lifterId;
  }

  /** Takes a decision back; it stays on record with who undid it and when. */
  async undo(clubId: string, accountId: string, sessionId: string, id: string): Promise<string> {
    const session = await this.session(clubId, sessionId);
    if (!(await this.kept.undo(sessionId, id, accountId, this.clock.now()))) throw notFound('decision');
    return session.lifterId;
  }

  private async session(clubId: string, id: string): Promise<TrainingSession> {
    const session = await this.training.session(clubId, id);
    if (!session) throw notFound('session');
    return session;
  }

  private async kindView(clubId: string, kind: HoldKindId, facts: HoldFacts): Promise<HoldKindView> {
    const { sessions, today, profile, kits } = facts;
    const next = sessions.find(
      (session) =>
        session.heldOn >= today && !session.finished && session.hasHold && session.holdKind === kind,
    );
    const usual = await this.rows.usualVenue(profile.lifter.id, today);
    const kit = kits.get(next?.venueId ?? usual ?? '') ?? (usual ? await this.kit.kit(clubId, usual) : null);
    const wants = wantsBodyMass(kind, profile);
    return {
      kind,
      missing: kit ? missingFor(kind, kit) : [],
      wantsBodyMass: wants,
      next: next && !wants ? await this.nextView(facts, next) : null,
    };
  }

  private async nextView(facts: HoldFacts, session: TrainingSession): Promise<NextHoldView> {
    const decision = decisionOn(session, facts.decisions);
    return {
      sessionId: session.id,
      version: session.version,
      on: session.heldOn,
      title: session.title,
      venue: facts.kits.get(session.venueId)!.venue.name,
      prescription: await this.prescribe(facts, session, decision),
      decision,
      history: facts.holds.filter((hold) => hold.kind === session.holdKind).length,
    };
  }

  private prescribe(
    { profile, kits, curve, ledger, tests }: HoldFacts,
    session: TrainingSession,
    decision: KnownDecision | null,
  ): ReturnType<HoldPrescriber['prescribe']> {
    return this.prescriber.prescribe({
      kind: session.holdKind,
      on: session.heldOn,
      profile,
      kit: kits.get(session.venueId)!,
      curve,
      ledger,
      without: session.id,
      decision,
      easing: easingOn(tests, session.heldOn),
    });
  }

  /** One week's forearm work as it would close the gaps, and what clashes in it. */
  private weekView(facts: HoldFacts, monday: string): GripWeekView {
    const { profile, contents, kits, sessions } = facts;
    const days = Array.from({ length: 7 }, (_, i) => shift(monday, i));
    const week = contents.filter((session) => session.on >= monday && session.on <= days[6]!);
    const venueId = sessions.find((session) => session.heldOn >= monday)?.venueId;
    const kit = venueId === undefined ? undefined : kits.get(venueId);
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

const WHY = 'Say why in 3 to 300 characters: the reason is kept with the hold.';

function decisionOn(session: TrainingSession, decisions: readonly KnownDecision[]): KnownDecision | null {
  return (
    decisions.find(
      (each) => each.sessionId === session.id && each.kind === session.holdKind && !each.undone,
    ) ?? null
  );
}
