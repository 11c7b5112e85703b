import { Injectable } from '@nestjs/common';
import {
  closedOn,
  HOLD_KINDS_BY_ID,
  holdLift,
  liftOf,
  LIMITS,
  mayCarryNothing,
  type HoldEnding,
} from '@iron-clasp/core';
import {
  LOAD_MESSAGE,
  SECONDS_MESSAGE,
  type CorrectionRequest,
  type ExtraSetRequest,
  type LogHoldRequest,
  type LogSetRequest,
} from '@iron-clasp/contract';
import type { EntityManager } from 'typeorm';
import { Clock } from '../../platform/clock/clock.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { invalid, notFound, type Problem } from '../../platform/http/problem.ts';
import { takenAt } from '../../platform/http/taken-at.ts';
import type { Bar } from '../../records/kit/kit.entity.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import type { LoggedHold, LoggedSet } from '../../records/log/log.entity.ts';
import { MeetsService } from '../../records/meets/meets.service.ts';
import { eventBar, fixedDiameter } from '../../evidence/session/event-of.ts';
import { LogService, type EntryKind } from '../../records/log/log.service.ts';
import { NO_TERMS } from '../../records/training/no-terms.ts';
import type { PlannedSet, TrainingSession } from '../../records/training/training.entity.ts';
import { TrainingService } from '../../records/training/training.service.ts';

/** Sets and holds as somebody logs them: what was done, on which bar, as it was then. */
@Injectable()
export class LoggingService {
  constructor(
    private readonly log: LogService,
    private readonly training: TrainingService,
    private readonly kit: KitService,
    private readonly meets: MeetsService,
    private readonly clock: Clock,
    private readonly days: Days,
  ) {}

  /** Keeps a hold; sent again with the same content it changes nothing, with other content it is refused. */
  async keepHold(
    club: ClubRef,
    by: string,
    sessionId: string,
    id: string,
    body: LogHoldRequest,
  ): Promise<void> {
    const doneAt = takenAt(this.clock, body.doneAt, 'doneAt');
    await this.log.keepHold(club.id, sessionId, async (session, manager) => {
      // What was held is said by who held it: the plan may be another by the time the entry arrives.
      const kind = body.kind ?? session.holds[0]?.kind ?? 'frontRackHold';
      const liftId = body.liftId ?? holdLift(kind).id;
      if (!HOLD_KINDS_BY_ID[kind].lifts.includes(liftId))
        throw invalid('liftId', 'This lift is no hold of that kind.');
      if (body.load < LIMITS.load.min && !mayCarryNothing(liftId)) throw invalid('load', LOAD_MESSAGE);
      const seconds = secondsOf(body.ended, body.seconds);
      const bar = await this.barOf(manager, club, session, body.barId);
      const { load, target, ended, grip, chalk } = body;
      return {
        ...{ id, clubId: club.id, lifterId: session.lifterId, sessionId, kind, liftId },
        ...{ doneAt, trainingDay: this.days.dayOf(club, doneAt), load, seconds, target, ended, grip, chalk },
        sideUnder: grip === 'mixed' ? (body.sideUnder ?? null) : null,
        barId: bar.id,
        diameter: body.diameter ?? closedOn(liftId, session.ownDiameter ?? bar.diameter),
        pin: body.pin ?? null,
        ...saidOf(body, session, by),
        ...{ undoneAt: null, undoneBy: null },
      };
    });
  }

  async keepSet(
    club: ClubRef,
    by: string,
    sessionId: string,
    id: string,
    body: LogSetRequest,
  ): Promise<void> {
    const doneAt = takenAt(this.clock, body.doneAt, 'doneAt');
    await this.log.keepSet(club.id, sessionId, async (session, manager) => {
      const planned = await this.plannedSet(manager, sessionId, body.plannedSetId);
      if (body.slippedAtRep && body.slippedAtRep > body.reps) throw slipAfterEnd(body.reps);
      if (body.load < LIMITS.load.min && !mayCarryNothing(planned.liftId))
        throw invalid('load', LOAD_MESSAGE);
      const bar = await this.barOf(manager, club, session, body.barId);
      const meet = await this.meets.onDay(session.lifterId, session.heldOn, manager);
      const { liftId, role, style, seconds } = planned;
      const { load, reps, grip, strapped, chalk } = body;
      return {
        ...{ id, clubId: club.id, lifterId: session.lifterId, sessionId, plannedSetId: planned.id },
        ...{ liftId, role, style, seconds: body.seconds ?? seconds },
        ...{ doneAt, trainingDay: this.days.dayOf(club, doneAt), load, reps, grip, strapped, chalk },
        sideUnder: grip === 'mixed' && !strapped ? (body.sideUnder ?? null) : null,
        barId: bar.id,
        diameter:
          eventBar(session, meet, planned) ??
          closedOn(liftId, fixedDiameter(session, meet) ?? bar.diameter, planned.handle),
        slippedAtRep: body.slippedAtRep ?? null,
        ...saidOf(body, session, by),
        ...{ undoneAt: null, undoneBy: null },
      };
    });
  }

  /** Adds a set to a session under way, behind those it has; sent again it is the same set. */
  async addSet(club: ClubRef, sessionId: string, id: string, body: ExtraSetRequest): Promise<void> {
    await this.training.addSet(club.id, sessionId, id, (sets) => {
      if (body.like) {
        const like = sets.find((set) => set.id === body.like);
        if (!like) throw notFound('set');
        return { ...like, load: body.load ?? like.load, reps: body.reps ?? like.reps };
      }
      if (!body.liftId) throw invalid('liftId', 'Choose a lift, or a set to repeat.');
      const lift = liftOf(body.liftId);
      const { load = 0, reps = 1, seconds } = body;
      if (load < LIMITS.load.min && !mayCarryNothing(lift)) throw invalid('load', LOAD_MESSAGE);
      if (lift.timed && seconds === undefined) throw invalid('seconds', `${lift.name} is done for time.`);
      return {
        ...{ liftId: lift.id, role: body.role ?? 'accessory', load, style: 'reset' },
        ...{ reps: lift.timed ? 1 : reps, seconds: lift.timed ? seconds! : null },
        ...NO_TERMS,
      };
    });
  }

  /** Takes an entry back; returns its session, for those who follow it. */
  undo(kind: EntryKind, club: ClubRef, by: string, id: string): Promise<string> {
    return this.log.undo(kind, club.id, id, by, this.clock.now());
  }

  /** Corrects an entry later on; what it was is kept beside it. Repeated under its id it changes nothing. */
  async correct(
    kind: EntryKind,
    club: ClubRef,
    by: string,
    entryId: string,
    id: string,
    body: CorrectionRequest,
  ): Promise<void> {
    const sent = Object.fromEntries(Object.entries(body).filter(([, value]) => value !== undefined));
    const fields: readonly string[] = kind === 'hold' ? HOLD_FIELDS : SET_FIELDS;
    const wrong = Object.keys(sent).find((field) => !fields.includes(field));
    if (wrong) throw invalid(wrong, `A ${kind} has no ${wrong} to correct.`);
    const correction = { id, correctedBy: by, correctedAt: this.clock.now() };
    await this.log.correct(kind, club.id, entryId, correction, sent, (entry) => {
      const put = 'ended' in entry ? { ...sent, ...secondsAfter(entry, sent) } : sent;
      const next = { ...entry, ...put } as LoggedSet;
      if (next.slippedAtRep && next.slippedAtRep > next.reps) throw slipAfterEnd(next.reps);
      if (next.load < LIMITS.load.min && !mayCarryNothing(next.liftId)) throw invalid('load', LOAD_MESSAGE);
      if (next.grip !== 'mixed' || next.strapped) return { ...put, sideUnder: null };
      // The ledger counts sides: a mixed grip without one is no entry.
      if (next.sideUnder === null) throw invalid('sideUnder', 'Say which hand was under.');
      return put;
    });
  }

  private async plannedSet(manager: EntityManager, sessionId: string, id: string): Promise<PlannedSet> {
    const planned = (await this.training.plannedSets([sessionId], manager)).find((set) => set.id === id);
    if (!planned) throw notFound('set');
    return planned;
  }

  /** The bar that is named, as it was when the entry was made; else the session's. */
  private async barOf(
    manager: EntityManager,
    club: ClubRef,
    session: TrainingSession,
    barId: string | undefined,
  ): Promise<Bar> {
    const named = barId ? await this.kit.bar(club.id, barId, manager) : null;
    const bar = barId ? named : (await this.kit.at(club.id, session.venueId, session.barId, manager))?.bar;
    if (!bar) throw notFound('bar');
    return bar;
  }
}

/** How long it was held: no time where it was never lifted. */
function secondsOf(ended: HoldEnding, seconds: number): number {
  if (ended === 'notLifted') return 0;
  if (seconds < LIMITS.holdSeconds.min) throw invalid('seconds', SECONDS_MESSAGE);
  return seconds;
}

/** The seconds of a hold whose ending or seconds are put right: they go together. */
function secondsAfter(hold: LoggedHold, sent: Partial<LoggedHold>): Pick<LoggedHold, 'seconds'> {
  const { ended, seconds } = { ...hold, ...sent };
  const touched = sent.ended !== undefined || sent.seconds !== undefined;
  return { seconds: touched ? secondsOf(ended, seconds) : hold.seconds };
}

const SET_FIELDS = ['load', 'reps', 'grip', 'sideUnder', 'strapped', 'slippedAtRep', 'note'];
const HOLD_FIELDS = ['load', 'seconds', 'ended', 'grip', 'sideUnder', 'note'];

function saidOf(
  { pain, confidence, cause, signs, note }: LogHoldRequest | LogSetRequest,
  { sweat }: TrainingSession,
  loggedBy: string,
): Pick<LoggedHold, 'pain' | 'confidence' | 'cause' | 'signs' | 'sweat' | 'note' | 'loggedBy'> {
  return {
    pain: pain ?? null,
    confidence: confidence ?? null,
    cause: cause ?? null,
    signs: signs ?? [],
    sweat,
    note: note ?? null,
    loggedBy,
  };
}

function slipAfterEnd(reps: number): Problem {
  return invalid('slippedAtRep', `The slip cannot come after the last repetition (${reps}).`);
}
