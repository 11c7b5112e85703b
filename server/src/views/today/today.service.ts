import { Injectable } from '@nestjs/common';
import { ATTENTION_LEVELS, type SetCall } from '@iron-clasp/core';
import type { ClubView, DayDecision, DayView } from '@iron-clasp/contract';
import { daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { ChangesService } from '../../records/changes/changes.service.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { MeetsService } from '../../records/meets/meets.service.ts';
import type { TrainingSession } from '../../records/training/training.entity.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { HoldFactsService } from '../../evidence/holds/hold-facts.service.ts';
import { BarUseService } from '../../evidence/kit/bar-use.service.ts';
import { SessionFactsService } from '../../evidence/session/session-facts.service.ts';
import { sameWork } from '../../evidence/session/session-parts.ts';
import { CallsService } from '../../advice/calls/calls.service.ts';
import { proposalOf } from '../../advice/holds/plan-blocks.service.ts';
import { SessionHoldsService } from '../../advice/holds/session-holds.service.ts';
import { ClubService } from '../club/club.service.ts';
import { dayHold, daySession, daySet, type Called } from './day-words.ts';
import { DAYS_AHEAD, WeekAheadService } from './week-ahead.service.ts';

/** Sessions of today that are called; more than a floor and its second shift hold. */
const MOST_SESSIONS = 24;
/** Sessions of the days after that are looked at for holds to accept, and how many days. */
const MOST_SOON = 12;
const SOON_DAYS = 2;
/** Decisions listed; the rest stand on the Club page. */
const MOST_DECISIONS = 12;

/** Findings that a block of holds may answer, and for how many lifters one is looked at. */
const ASKS_FOR_BLOCK = ['attention.slips-rising', 'attention.third-attempt'];
const MOST_BLOCKS = 6;
/** Verdicts of a top set that the coach looks at before it is lifted. */
const DOUBTFUL: readonly SetCall['verdict'][] = ['weak', 'stop', 'unproven'];
const HOOK_MOVES = 'attention.hook-moves';

/** Home, from one request. */
@Injectable()
export class TodayService {
  constructor(
    private readonly lifters: LiftersService,
    private readonly training: TrainingService,
    private readonly meets: MeetsService,
    private readonly kit: KitService,
    private readonly bars: BarUseService,
    private readonly facts: SessionFactsService,
    private readonly calls: CallsService,
    private readonly holds: SessionHoldsService,
    private readonly holdFacts: HoldFactsService,
    private readonly club: ClubService,
    private readonly week: WeekAheadService,
    private readonly days: Days,
    private readonly changes: ChangesService,
  ) {}

  view(club: ClubRef): Promise<DayView> {
    return this.changes.untilClubChanged('today', club, () => this.read(club));
  }

  private async read(club: ClubRef): Promise<DayView> {
    const today = this.days.today(club);
    const lifters = await this.lifters.onRack(club.id);
    const ids = lifters.map((each) => each.id);
    const [sessions, meets, attention, brushes] = await Promise.all([
      this.training.ofClubBetween(club.id, today, shiftDay(today, DAYS_AHEAD - 1)),
      this.meets.nextOf(ids, today),
      this.club.view(club),
      this.brushes(club),
    ]);
    const place = new Map(ids.map((id, i) => [id, i]));
    const own = sessions
      .filter((session) => place.has(session.lifterId))
      .sort((a, b) => place.get(a.lifterId)! - place.get(b.lifterId)!);
    const todays = own.filter((session) => session.heldOn === today);
    const lastSoon = shiftDay(today, SOON_DAYS);
    const soon = own
      .filter((each) => each.heldOn > today && each.heldOn <= lastSoon)
      // A hold is accepted days ahead; the sets of another day are looked at on their day.
      .filter((each) => each.holds.length > 0)
      .sort((a, b) => a.heldOn.localeCompare(b.heldOn));
    const [called, next, week, blocks] = await Promise.all([
      this.called(club, todays.slice(0, MOST_SESSIONS)),
      this.withHolds(club, soon.slice(0, MOST_SOON)),
      this.week.of(today, lifters, own, meets),
      this.blocks(club, attention),
    ]);
    const decide = [
      ...attention.lifters.flatMap(findingsOf),
      ...called.flatMap((each) => [...doubtfulOf(each), ...waitingOf(each)]),
      ...next.flatMap(waitingOf),
      ...blocks,
      ...brushes,
    ].sort((a, b) => urgency(a) - urgency(b));
    const [meet] = [...meets.values()].sort((a, b) => a.heldOn.localeCompare(b.heldOn));
    return {
      today,
      sessions: called
        .map((each) =>
          daySession(
            each,
            attention.lifters.find(({ id }) => id === each.facts.profile.lifter.id)?.findings[0],
          ),
        )
        .sort((a, b) => a.venue.localeCompare(b.venue) || a.lifterName.localeCompare(b.lifterName)),
      total: todays.length,
      decide: decide.slice(0, MOST_DECISIONS),
      moreToDecide: Math.max(0, decide.length - MOST_DECISIONS),
      week,
      meet: meet ? { name: meet.name, days: daysBetween(today, meet.heldOn) } : null,
    };
  }

  /** Sessions with their calls and holds. */
  async called(club: ClubRef, sessions: readonly TrainingSession[]): Promise<Called[]> {
    const all = await this.withHolds(club, sessions);
    return all.map((each) => ({ ...each, calls: this.calls.callAll(each.facts) }));
  }

  /** The same without the calls of their sets: of another day only holds are decided. */
  private withHolds(club: ClubRef, sessions: readonly TrainingSession[]): Promise<Omit<Called, 'calls'>[]> {
    return Promise.all(
      sessions.map(async (session) => {
        const facts = await this.facts.ofSession(club, session);
        return { facts, holds: await this.holds.of(club, facts) };
      }),
    );
  }

  /** Blocks of holds for lifters whose grip asks for one. */
  private async blocks(club: ClubRef, attention: ClubView): Promise<DayDecision[]> {
    const asking = attention.lifters
      .filter(({ findings }) => findings.some(({ ruleId }) => ASKS_FOR_BLOCK.includes(ruleId)))
      .slice(0, MOST_BLOCKS);
    const found = await Promise.all(
      asking.map(async ({ id, name }): Promise<DayDecision[]> => {
        const proposal = proposalOf(await this.holdFacts.of(club, id));
        const { kinds, startsOn, endsOn, weeks, sessionsAWeek, why } = proposal;
        if (!proposal.propose || !startsOn || !endsOn || !weeks || !sessionsAWeek) return [];
        return [
          {
            ...{ id: `block ${id}`, level: 'note', lifterId: id, who: name },
            about: { kind: 'block', holds: kinds, from: startsOn, to: endsOn, why: why[0]?.text ?? '' },
            open: `/lifters/${id}/holds`,
            act: {
              kind: 'placeBlock',
              blocks: kinds.map((kind) => ({ kind, startsOn, weeks, sessionsAWeek })),
            },
          },
        ];
      }),
    );
    return found.flat();
  }

  /** Bars that are due for brushing. */
  private async brushes(club: ClubRef): Promise<DayDecision[]> {
    const whole = await this.kit.whole(club.id);
    const inUse = whole.filter(({ venue }) => venue.archivedAt === null);
    const use = await this.bars.of(inUse.flatMap(({ kit }) => kit.bars));
    return inUse.flatMap(({ venue, kit }) =>
      kit.bars.flatMap((bar): DayDecision[] => {
        const state = use.get(bar.id);
        if (!state?.due) return [];
        return [
          {
            ...{ id: `brush ${bar.id}`, level: 'note', lifterId: null, who: venue.name },
            about: { kind: 'bar', bar: bar.name, chalkedSets: state.chalkedSets },
            open: `/kit/${venue.id}`,
            act: { kind: 'brush', barId: bar.id },
          },
        ];
      }),
    );
  }
}

/** What stops comes first, then what one click settles, then what has to be looked at. */
function urgency({ level, act }: DayDecision): number {
  return level === 'stop' ? 0 : act ? 1 : 1 + ATTENTION_LEVELS.indexOf(level);
}

/** What the club's rules find of a lifter: one entry, opened where the gravest is mended, and the hook's own, which one click moves. */
function findingsOf({ id, name, findings, hook }: ClubView['lifters'][number]): DayDecision[] {
  const entry = (found: typeof findings, act: DayDecision['act']): DayDecision[] =>
    found.slice(0, 1).map(({ ruleId, level, step }) => ({
      ...{ id: `${ruleId} ${id}`, level, lifterId: id, who: name, act },
      about: { kind: 'found', text: found.map((each) => each.text).join('. ') },
      open: `/lifters/${id}/${step}`,
    }));
  const moves = findings.filter(({ ruleId }) => ruleId === HOOK_MOVES);
  const others = findings.filter(({ ruleId }) => ruleId !== HOOK_MOVES);
  return [...entry(others, null), ...entry(moves, hook && { kind: 'moveHook', ...hook })];
}

/** Holds that wait to be accepted. */
function waitingOf({ facts, holds }: Omit<Called, 'calls'>): DayDecision[] {
  const { session, profile } = facts;
  if (session.finished) return [];
  const { id: lifterId, name: who } = profile.lifter;
  return holds.flatMap(({ kind, hold, decision }): DayDecision[] => {
    if (!hold || hold.barred || decision || facts.holdsDone.length > 0) return [];
    return [
      {
        ...{ id: `hold ${session.id} ${kind}`, level: 'note', lifterId, who },
        about: { kind: 'hold', on: session.heldOn, hold: dayHold(kind, hold), why: hold.why[0]?.text ?? '' },
        open: `/lifters/${lifterId}/holds`,
        act: { kind: 'acceptHold', sessionId: session.id, hold: kind },
      },
    ];
  });
}

/** Top sets that must not be done, whose grip may not hold, or of which the log says nothing yet. */
function doubtfulOf({ facts, calls }: Called): DayDecision[] {
  const { session, profile, sets } = facts;
  if (session.finished) return [];
  const { id: lifterId, name: who } = profile.lifter;
  const open = `/lifters/${lifterId}/calls/${session.id}`;
  return sets.flatMap((set, i): DayDecision[] => {
    const call = calls[i]!;
    const asked = (set.role === 'top' || set.role === 'attempt') && !sameWork(sets[i - 1], set);
    if (!asked || !DOUBTFUL.includes(call.verdict)) return [];
    return [
      {
        ...{ id: `set ${set.id}`, lifterId, who, open, act: null },
        level: call.verdict === 'unproven' ? 'note' : 'caution',
        about: { kind: 'set', on: session.heldOn, set: daySet(set, call, facts) },
      },
    ];
  });
}
