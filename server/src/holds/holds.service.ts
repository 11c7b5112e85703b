import { Injectable } from '@nestjs/common';
import {
  checkGripWeek,
  gripWork,
  gripWorkByWeek,
  HOLD_KINDS,
  HOLD_KINDS_BY_ID,
  KIT_NEEDS,
  LAST_HEAVY_HOLD_DAYS,
  mixedLedger,
  planForearmWeek,
  proposeHoldBlock,
  SIDES,
  type GripEvent,
  type HoldCurve,
  type HoldKindId,
  type MixedLedger,
  holdLift,
} from '@iron-clasp/core';
import type {
  GripWeekView,
  HoldBlockRequest,
  HoldDecisionRequest,
  HoldKindView,
  HoldsView,
  NextHoldView,
} from '@iron-clasp/contract';
import { addDays, differenceInCalendarDays, format, parseISO, startOfISOWeek } from 'date-fns';
import { loggedHold } from '../calls/call-views.ts';
import { Clock } from '../clock.ts';
import { CurvesService } from '../curves/curves.service.ts';
import { notFound, Problem } from '../http/problem.ts';
import { KitRepository, type VenueKit } from '../kit/kit.repository.ts';
import type { SeasonMarkRow } from '../lifters/lifter.entity.ts';
import type { LifterProfile } from '../lifters/lifters.repository.ts';
import { LiftersRepository } from '../lifters/lifters.repository.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { LoggedHold, LoggedSet } from '../log/log.entity.ts';
import { LogRepository } from '../log/log.repository.ts';
import type { SqueezeTestRow } from '../squeeze/squeeze.entity.ts';
import { SqueezeRepository } from '../squeeze/squeeze.repository.ts';
import { easingOn } from '../squeeze/squeeze-tests.ts';
import type { TrainingSession } from '../training/training.entity.ts';
import { TrainingRepository } from '../training/training.repository.ts';
import { refusedBecause } from './decided-hold.ts';
import {
  clashViews,
  forearmDays,
  gripEventsOf,
  gripItems,
  isHardHold,
  type SessionContent,
} from './grip-events.ts';
import { HoldPrescriber, wantsBodyMass } from './hold-prescriber.ts';
import { missingFor } from './hold-kit.ts';
import { HoldsRepository, type KnownDecision } from './holds.repository.ts';

/** Weeks shown behind and ahead of this one. */
const WEEKS_BACK = 8;
const WEEKS_AHEAD = 7;
/** Days over which slips and confidence speak for a block. */
const BLOCK_LOOKS_BACK = 28;
/** Rules that decide whether a hard hold may stand where a block wants it. */
const HOLD_RULES = new Set([
  'spacing.hard-holds-apart',
  'spacing.no-hard-hold-before-bare-deadlift',
  'spacing.hard-grip-days',
  'spacing.last-heavy-hold-before-meet',
]);

const shift = (day: string, days: number): string => format(addDays(parseISO(day), days), 'yyyy-MM-dd');
const mondayOf = (day: string): string => format(startOfISOWeek(parseISO(day)), 'yyyy-MM-dd');

/** Everything the holds page rests on. */
interface Facts {
  readonly profile: LifterProfile;
  readonly today: string;
  readonly curve: HoldCurve;
  readonly ledger: MixedLedger;
  readonly sessions: readonly TrainingSession[];
  readonly contents: readonly SessionContent[];
  readonly sets: readonly LoggedSet[];
  readonly holds: readonly (LoggedHold & { readonly on: string })[];
  readonly decisions: readonly KnownDecision[];
  /** Squeeze tests, the latest first. */
  readonly tests: readonly SqueezeTestRow[];
  readonly kits: ReadonlyMap<string, VenueKit>;
  readonly blocks: readonly SeasonMarkRow[];
}

@Injectable()
export class HoldsService {
  constructor(
    private readonly kept: HoldsRepository,
    private readonly lifters: LiftersService,
    private readonly rows: LiftersRepository,
    private readonly training: TrainingRepository,
    private readonly kit: KitRepository,
    private readonly log: LogRepository,
    private readonly curves: CurvesService,
    private readonly squeezes: SqueezeRepository,
    private readonly prescriber: HoldPrescriber,
    private readonly clock: Clock,
  ) {}

  /** The lifter's hold work over the weeks, what comes next of each kind, and the balance of the week. */
  async view(clubId: string, lifterId: string): Promise<HoldsView> {
    const facts = await this.facts(clubId, lifterId);
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
    const facts = await this.facts(clubId, session.lifterId);
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

  /** Writes a block and puts its holds, week by week, into the sessions that the spacing rules leave free. */
  async saveBlock(
    clubId: string,
    accountId: string,
    lifterId: string,
    id: string,
    body: HoldBlockRequest,
  ): Promise<void> {
    const facts = await this.facts(clubId, lifterId);
    const known = await this.kept.block(lifterId, id);
    const startsOn = mondayOf(body.startsOn);
    const endsOn = shift(startsOn, 7 * body.weeks - 1);
    const overlapping = facts.blocks.find(
      (each) => each.id !== id && each.startsOn <= endsOn && each.endsOn >= startsOn,
    );
    if (overlapping) {
      const message = `“${overlapping.label}” already lies from ${overlapping.startsOn} to ${overlapping.endsOn}. Move or remove it first.`;
      throw new Problem(409, 'block-overlaps', message, [{ path: 'startsOn', message }]);
    }
    const meet = facts.profile.nextMeet?.heldOn;
    const lastDay = meet && shift(meet, -LAST_HEAVY_HOLD_DAYS);
    if (
      meet &&
      lastDay &&
      startsOn <= meet &&
      endsOn > shift(lastDay, 1) &&
      isHardHold(body.kind, facts.profile.school)
    ) {
      const fits = Math.floor((differenceInCalendarDays(parseISO(lastDay), parseISO(startsOn)) + 2) / 7);
      const message = `The last heavy hold falls about ${LAST_HEAVY_HOLD_DAYS} days before the meet on ${meet}. ${fits >= 2 ? `From this week on it can be ${fits} weeks.` : 'Start it earlier, or after the meet.'}`;
      throw new Problem(409, 'block-into-meet', message, [{ path: 'weeks', message }]);
    }
    const block: SeasonMarkRow = {
      id,
      lifterId,
      kind: 'holdBlock',
      label: `${HOLD_KINDS_BY_ID[body.kind].name}, ${body.weeks} weeks`,
      startsOn,
      endsOn,
      holdKind: body.kind,
      sessionsAWeek: body.sessionsAWeek,
      madeBy: known?.madeBy ?? accountId,
      version: body.version + 1,
      removedAt: null,
    };
    if (known && !known.removedAt && same(known, block)) return;
    const chosen = chooseSessions(facts, block);
    if (!(await this.kept.saveBlock(block, chosen))) throw changedMeanwhile('block');
  }

  /** Takes a block off, with the holds it put into sessions that are not begun. */
  async removeBlock(clubId: string, id: string): Promise<string> {
    const lifterId = await this.kept.blockOwner(clubId, id);
    const block = lifterId && (await this.kept.block(lifterId, id));
    if (!block) throw notFound('block');
    if (!block.removedAt) {
      const gone = { ...block, removedAt: this.clock.now(), version: block.version + 1 };
      if (!(await this.kept.saveBlock(gone, []))) throw changedMeanwhile('block');
    }
    return lifterId;
  }

  private async session(clubId: string, id: string): Promise<TrainingSession> {
    const session = await this.training.session(clubId, id);
    if (!session) throw notFound('session');
    return session;
  }

  private async facts(clubId: string, lifterId: string): Promise<Facts> {
    const profile = await this.lifters.profile(clubId, lifterId);
    const today = this.clock.today();
    const monday = mondayOf(today);
    const from = shift(monday, -7 * (WEEKS_BACK + 4));
    const to = shift(monday, 7 * (WEEKS_AHEAD + 1) - 1);
    const [sessions, sets, holds, blocks, observations, mixed, tests] = await Promise.all([
      this.kept.sessions(lifterId, from, to),
      this.kept.setsSince(lifterId, from),
      this.kept.done(lifterId, from),
      this.kept.blocks(lifterId),
      this.curves.observations(lifterId),
      this.log.mixedSets(lifterId, today),
      this.squeezes.tests(lifterId),
    ]);
    const coming = sessions.filter((session) => session.heldOn >= today);
    const [planned, decisions, ...kits] = await Promise.all([
      this.kept.plannedSets(coming.map((session) => session.id)),
      this.kept.decisions(coming.map((session) => session.id)),
      ...[...new Set(coming.map((session) => session.venueId))].map((venueId) =>
        this.kit.kit(clubId, venueId),
      ),
    ]);
    return {
      profile,
      today,
      curve: this.curves.fit(profile.lifter, observations),
      ledger: mixedLedger(mixed),
      sessions,
      contents: sessions.map((session) => {
        const logged = sets.filter((set) => set.sessionId === session.id);
        const held = holds.filter((hold) => hold.sessionId === session.id);
        return {
          id: session.id,
          on: session.heldOn,
          sets: logged.length ? logged : planned.filter((set) => set.sessionId === session.id),
          hold: held[0]?.kind ?? (session.hasHold && !session.finished ? session.holdKind : null),
          failed: held.length > 0 && held.every((hold) => hold.ended === 'slipped'),
          tested: tests.some((test) => test.sessionId === session.id || test.testedOn === session.heldOn),
        };
      }),
      sets,
      holds,
      decisions,
      tests,
      kits: new Map(kits.flatMap((kit) => (kit ? [[kit.venue.id, kit] as const] : []))),
      blocks,
    };
  }

  private async kindView(clubId: string, kind: HoldKindId, facts: Facts): Promise<HoldKindView> {
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

  private async nextView(facts: Facts, session: TrainingSession): Promise<NextHoldView> {
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
    { profile, kits, curve, ledger, tests }: Facts,
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
  private weekView(facts: Facts, monday: string): GripWeekView {
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

function changedMeanwhile(what: string): Problem {
  return new Problem(
    409,
    'changed-meanwhile',
    `This ${what} was changed since the page was opened. Reload to see it, then choose again.`,
  );
}

function decisionOn(session: TrainingSession, decisions: readonly KnownDecision[]): KnownDecision | null {
  return (
    decisions.find(
      (each) => each.sessionId === session.id && each.kind === session.holdKind && !each.undone,
    ) ?? null
  );
}

function same(known: SeasonMarkRow, block: SeasonMarkRow): boolean {
  const fields = ['startsOn', 'endsOn', 'holdKind', 'sessionsAWeek'] as const;
  return fields.every((field) => known[field] === block[field]);
}

function weekOf(
  events: readonly GripEvent[],
  { nextMeet }: LifterProfile,
): { events: readonly GripEvent[]; meetOn?: string } {
  return { events, ...(nextMeet && { meetOn: nextMeet.heldOn }) };
}

function proposalOf({ profile, today, sets, blocks }: Facts): HoldsView['proposal'] {
  const placed = blocks.find((block) => block.endsOn >= today);
  if (placed)
    return {
      propose: false,
      why: [
        {
          ruleId: 'block.already-placed',
          rank: 'evidence',
          text: `“${placed.label}” is placed already, until ${placed.endsOn}.`,
        },
      ],
    };
  const since = shift(today, -BLOCK_LOOKS_BACK);
  const heavy = sets.filter(
    (set) => (set.role === 'top' || set.role === 'attempt') && !set.strapped && set.doneAt >= parseISO(since),
  );
  const confidence = heavy.flatMap((set) => set.confidence ?? []).reverse();
  const ended = blocks.map((block) => block.endsOn).filter((day) => day < today);
  return proposeHoldBlock({
    today,
    school: profile.school,
    heavySets: { done: heavy.length, slipped: heavy.filter((set) => set.slippedAtRep !== null).length },
    confidence,
    ...(profile.nextMeet && { meetOn: profile.nextMeet.heldOn }),
    ...(ended.length && { lastBlockEndedOn: ended.at(-1)! }),
  });
}

/** The sessions that carry the block: so many a week, those with the deadlift first, none that breaks a spacing rule. */
function chooseSessions(facts: Facts, block: SeasonMarkRow): string[] {
  const { profile, contents, sessions, today } = facts;
  const hard = isHardHold(block.holdKind, profile.school);
  const open = new Set(
    sessions.filter((each) => !each.finished && each.heldOn >= today).map((each) => each.id),
  );
  // Holds that the block itself put there before are asked anew.
  const own = new Set(sessions.filter((each) => each.holdBlockId === block.id).map((each) => each.id));
  let plan = contents.map((each) => (own.has(each.id) && open.has(each.id) ? { ...each, hold: null } : each));
  const chosen: string[] = [];
  for (let monday = block.startsOn; monday <= block.endsOn; monday = shift(monday, 7)) {
    const sunday = shift(monday, 6);
    const inWeek = (each: SessionContent): boolean => each.on >= monday && each.on <= sunday;
    const candidates = plan.filter((each) => inWeek(each) && open.has(each.id)).sort(byFitness);
    let left = block.sessionsAWeek;
    for (const candidate of candidates) {
      if (left === 0) break;
      const tried = plan.map((each) => (each.id === candidate.id ? { ...each, hold: block.holdKind } : each));
      if (hard && breaks(tried, candidate, profile)) continue;
      plan = tried;
      chosen.push(candidate.id);
      left--;
    }
  }
  return chosen;
}

/** Sessions that hold already, then those that end in a heavy pull, then pulling ones, in order of days. */
function byFitness(a: SessionContent, b: SessionContent): number {
  const rank = (each: SessionContent): number =>
    each.hold ? 0 : each.sets.some((set) => set.role === 'top' && set.liftId.startsWith('deadlift')) ? 1 : 2;
  return rank(a) - rank(b) || a.on.localeCompare(b.on);
}

/** Does a hold in this session break a rule, within the days around it? */
function breaks(plan: readonly SessionContent[], at: SessionContent, profile: LifterProfile): boolean {
  const near = plan.filter((each) => each.on >= shift(at.on, -6) && each.on <= shift(at.on, 6));
  const week = plan.filter((each) => mondayOf(each.on) === mondayOf(at.on));
  return [near, week].some((sessions, i) => {
    const events = gripEventsOf(sessions, profile.school);
    return checkGripWeek(weekOf(events, profile)).some(
      (found) =>
        HOLD_RULES.has(found.ruleId) &&
        // Days are counted within a calendar week, hours across it.
        (found.ruleId === 'spacing.hard-grip-days') === (i === 1) &&
        found.events.some((place) => events[place]!.session === at.id),
    );
  });
}
