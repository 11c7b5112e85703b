import { Injectable } from '@nestjs/common';
import type { EffortRule, HoldKindId, HoldPrescription } from '@iron-clasp/core';
import type { EffortBody, HoldDecisionRequest, HoldSettingRequest } from '@iron-clasp/contract';
import { Clock } from '../../platform/clock/clock.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { invalid, Problem } from '../../platform/http/problem.ts';
import {
  HoldDecisionsService,
  type KnownDecision,
} from '../../records/hold-decisions/hold-decisions.service.ts';
import { LogService } from '../../records/log/log.service.ts';
import type { TrainingSession } from '../../records/training/training.entity.ts';
import { HoldSettingsService } from '../../records/hold-settings/hold-settings.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { holdsOf, TrainingService } from '../../records/training/training.service.ts';
import { HoldFactsService, type HoldFacts } from '../../evidence/holds/hold-facts.service.ts';
import { easingOn } from '../../evidence/squeeze/squeeze-tests.ts';
import { refusedBecause } from './decided-hold.ts';
import { HoldPrescriber } from './hold-prescriber.ts';

/** What a session holds after its lifts, and what the coach decides on it. */
@Injectable()
export class SessionHoldPlansService {
  constructor(
    private readonly kept: HoldDecisionsService,
    private readonly facts: HoldFactsService,
    private readonly training: TrainingService,
    private readonly log: LogService,
    private readonly prescriber: HoldPrescriber,
    private readonly settings: HoldSettingsService,
    private readonly lifters: LiftersService,
    private readonly clock: Clock,
  ) {}

  /** Says which kinds of hold follow a session's lifts, if the page that asks saw its latest version. */
  async plan(club: ClubRef, sessionId: string, kinds: readonly HoldKindId[], seen: number): Promise<string> {
    const session = await this.training.known(club.id, sessionId);
    const before = session.holds.map((hold) => hold.kind);
    if (before.join() === kinds.join()) return session.lifterId;
    if (session.finished)
      throw new Problem(
        409,
        'session-started',
        'This session is over: plan the hold in one that is to come.',
      );
    const logged = await this.log.holdsOf([sessionId]);
    if (logged.some((hold) => before.includes(hold.kind) && !kinds.includes(hold.kind)))
      throw new Problem(
        409,
        'session-started',
        'A hold of this kind is already logged in this session, so it stays. Undo it on the floor first.',
      );
    await this.training.change(session, seen, { holds: holdsOf(kinds, session.holds) });
    return session.lifterId;
  }

  /** Says how a kind of hold is prescribed to a lifter. */
  async set(club: ClubRef, lifterId: string, kind: HoldKindId, body: HoldSettingRequest): Promise<void> {
    const { aim, effort, ceiling, target, pinHeight, version } = body;
    await this.lifters.known(club.id, lifterId);
    await this.settings.save(club.id, lifterId, version, {
      kind,
      aim: aim ?? null,
      effort: effort ? effortOf(effort) : null,
      ceiling: ceiling ?? null,
      target: target ? { load: target.load, on: target.on } : null,
      pinHeight: pinHeight ?? null,
    });
  }

  /** Keeps a decision on a hold of the session; what a safety rule bars is refused, naming the rule. */
  async decide(
    club: ClubRef,
    by: string,
    sessionId: string,
    id: string,
    body: HoldDecisionRequest,
  ): Promise<string> {
    const session = await this.training.known(club.id, sessionId);
    const { lifterId } = session;
    if (!session.holds.some((hold) => hold.kind === body.kind))
      throw new Problem(409, 'no-hold', 'This session has no such hold. Plan one first, then decide on it.');
    const reason = body.reason?.trim() || null;
    if (body.what !== 'accepted' && (reason?.length ?? 0) < 3) throw invalid('reason', WHY);
    const facts = await this.facts.of(club, lifterId);
    if (!facts.kits.has(sessionId))
      throw new Problem(409, 'session-over', 'This session lies in the past: its hold is history now.');
    const prescribed = await this.prescribe(club, facts, session, body.kind, null);
    const refused = refusedBecause(prescribed);
    if (refused && body.what !== 'skipped') throw new Problem(409, 'override-refused', refused);
    if (prescribed.barred && body.what === 'accepted')
      throw new Problem(
        409,
        'hold-barred',
        `${prescribed.barred.text} Change it with a reason, or skip it: it cannot be accepted as it stands.`,
      );
    const figures = body.what === 'skipped' ? null : prescribed;
    await this.kept.keep(
      {
        ...{ id, clubId: club.id, lifterId, sessionId, what: body.what, kind: body.kind, reason },
        sets: figures && (body.sets ?? figures.sets),
        seconds: figures && (body.seconds ?? figures.seconds),
        load: figures && (body.load ?? figures.load),
        ...{ madeBy: by, madeAt: this.clock.now(), undoneBy: null, undoneAt: null },
      },
      body.what === 'changed'
        ? (['sets', 'seconds', 'load'] as const).filter((field) => body[field] !== undefined)
        : [],
    );
    return lifterId;
  }

  /** Takes a decision back; it stays on record with who undid it and when. */
  async undo(club: ClubRef, by: string, sessionId: string, id: string): Promise<string> {
    const session = await this.training.known(club.id, sessionId);
    await this.kept.undo(club.id, sessionId, id, by, this.clock.now());
    return session.lifterId;
  }

  /** One hold of a coming session, in the bar and venue that it names. */
  prescribe(
    club: ClubRef,
    { profile, kits, curve, ledger, tests, settings }: HoldFacts,
    session: TrainingSession,
    kind: HoldKindId,
    decision: KnownDecision | null,
  ): Promise<HoldPrescription> {
    return this.prescriber.prescribe({
      ...{ club, profile, curve, ledger, decision, kind },
      setting: settings.get(kind),
      on: session.heldOn,
      kit: kits.get(session.id)!,
      without: session.id,
      easing: easingOn(tests, session.heldOn),
    });
  }
}

const WHY = 'Say why in 3 to 300 characters: the reason is kept with the hold.';

/** The rule with its figure; which of the two a kind needs is said where it is missing. */
function effortOf({ kind, probability, fraction }: EffortBody): EffortRule {
  if (kind === 'nearLimit') {
    if (probability === undefined)
      throw invalid('effort.probability', 'Say how often the hold should be held, as 0.65.');
    return { kind, probability };
  }
  if (fraction === undefined)
    throw invalid('effort.fraction', 'Say which share of the predicted time is held, as 0.6.');
  return { kind, fraction };
}
