import { Injectable } from '@nestjs/common';
import { checkGripWeek, HOLD_KINDS_BY_ID, LAST_HEAVY_HOLD_DAYS, proposeHoldBlock } from '@iron-clasp/core';
import { MOST_HOLDS, type HoldBlockRequest, type HoldsView } from '@iron-clasp/contract';
import { DataSource, type EntityManager } from 'typeorm';
import { Clock } from '../../platform/clock/clock.ts';
import { dayWords, daysBetween, mondayOf, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { notFound, Problem } from '../../platform/http/problem.ts';
import { HoldBlocksService } from '../../records/hold-blocks/hold-blocks.service.ts';
import type { SeasonMarkRow } from '../../records/hold-blocks/season-mark.entity.ts';
import { LogService } from '../../records/log/log.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { trainingMonths } from '../../evidence/lifter-today/for-calls.ts';
import {
  gripEventsOf,
  isHeavyBareSet,
  isHardHold,
  weekOf,
  type SessionContent,
} from '../../evidence/holds/grip-events.ts';
import { HoldFactsService, type HoldFacts } from '../../evidence/holds/hold-facts.service.ts';

/** Days over which slips and confidence speak for a block. */
const BLOCK_LOOKS_BACK = 28;
/** Rules that decide whether a hard hold may stand where a block wants it. */
const HOLD_RULES = new Set([
  'spacing.hard-holds-apart',
  'spacing.no-hard-hold-before-bare-deadlift',
  'spacing.hard-grip-days',
  'spacing.last-heavy-hold-before-meet',
]);

/** Blocks of hold work: weeks that put holds into the sessions the spacing rules leave free. */
@Injectable()
export class PlanBlocksService {
  constructor(
    private readonly db: DataSource,
    private readonly blocks: HoldBlocksService,
    private readonly training: TrainingService,
    private readonly log: LogService,
    private readonly facts: HoldFactsService,
    private readonly clock: Clock,
  ) {}

  /** Writes a block and puts its holds, week by week, into the sessions that the spacing rules leave free. */
  async save(club: ClubRef, by: string, lifterId: string, id: string, body: HoldBlockRequest): Promise<void> {
    const facts = await this.facts.of(club, lifterId);
    if (body.version > 0 && !(await this.blocks.find(club.id, id))) throw notFound('block');
    const startsOn = mondayOf(body.startsOn);
    const endsOn = shiftDay(startsOn, 7 * body.weeks - 1);
    // Blocks of different kinds lie side by side; two of one kind would ask for the same hold twice.
    const overlapping = facts.blocks.find(
      (each) =>
        each.id !== id && each.holdKind === body.kind && each.startsOn <= endsOn && each.endsOn >= startsOn,
    );
    if (overlapping) {
      const message = `“${overlapping.label}” already lies from ${dayWords(overlapping.startsOn)} to ${dayWords(overlapping.endsOn)}. Move or remove it first.`;
      throw new Problem(409, 'block-overlaps', message, [{ path: 'startsOn', message }]);
    }
    const meet = facts.profile.nextMeet?.heldOn;
    const lastDay = meet && shiftDay(meet, -LAST_HEAVY_HOLD_DAYS);
    if (
      meet &&
      lastDay &&
      startsOn <= meet &&
      endsOn > shiftDay(lastDay, 1) &&
      isHardHold(body.kind, facts.profile.school, facts.settings.get(body.kind)?.effort)
    ) {
      const fits = Math.floor((daysBetween(startsOn, lastDay) + 2) / 7);
      const message = `The last heavy hold falls about ${LAST_HEAVY_HOLD_DAYS} days before the meet on ${meet}. ${fits >= 2 ? `From this week on it can be ${fits} weeks.` : 'Start it earlier, or after the meet.'}`;
      throw new Problem(409, 'block-into-meet', message, [{ path: 'weeks', message }]);
    }
    const content = {
      label: `${HOLD_KINDS_BY_ID[body.kind].name}, ${body.weeks} weeks`,
      ...{ startsOn, endsOn, holdKind: body.kind, sessionsAWeek: body.sessionsAWeek },
    };
    const chosen = chooseSessions(facts, { id, ...content });
    await this.db.transaction(async (manager) => {
      const owner = { clubId: club.id, lifterId };
      const saved = await this.blocks.save(manager, owner, id, body.version, content, by);
      if (saved !== 'same') await this.place(manager, facts, id, content.holdKind, chosen);
    });
  }

  /** Removes a block, with the holds it put into sessions that are not begun. */
  async remove(club: ClubRef, id: string): Promise<string> {
    const block = await this.blocks.find(club.id, id);
    if (!block) throw notFound('block');
    if (block.removedAt) return block.lifterId;
    const facts = await this.facts.of(club, block.lifterId);
    await this.db.transaction(async (manager) => {
      await this.blocks.remove(manager, block, this.clock.now());
      await this.place(manager, facts, id, block.holdKind, []);
    });
    return block.lifterId;
  }

  /** Takes out what the block put into sessions before, unless something of it is logged, and puts its holds where they go now. */
  private async place(
    manager: EntityManager,
    { sessions }: HoldFacts,
    blockId: string,
    holdKind: SeasonMarkRow['holdKind'],
    chosen: readonly string[],
  ): Promise<void> {
    const open = sessions.filter((session) => !session.finished);
    const held = await this.log.held(
      open.map((session) => session.id),
      manager,
    );
    for (const session of open) {
      const ours = session.holds.some((hold) => hold.blockId === blockId);
      const stays = chosen.includes(session.id);
      if (!stays && (!ours || held.has(session.id))) continue;
      const others = session.holds.filter((hold) => hold.blockId !== blockId && hold.kind !== holdKind);
      const holds = stays ? [...others, { kind: holdKind, blockId }] : others;
      await this.training.change(session, session.version, { holds }, manager);
    }
  }
}

/** Whether a block is due, from the slips and the confidence of the last weeks, and why. */
export function proposalOf({ profile, today, sets, blocks }: HoldFacts): HoldsView['proposal'] {
  const placed = blocks.find((block) => block.endsOn >= today);
  if (placed)
    return {
      propose: false,
      kinds: [],
      why: [
        {
          ruleId: 'block.already-placed',
          rank: 'evidence',
          text: `“${placed.label}” is placed already, until ${dayWords(placed.endsOn)}.`,
        },
      ],
    };
  const since = shiftDay(today, -BLOCK_LOOKS_BACK);
  const heavy = sets.filter((set) => isHeavyBareSet(set) && set.trainingDay >= since);
  const confidence = heavy.flatMap((set) => set.confidence ?? []).reverse();
  const ended = blocks.map((block) => block.endsOn).filter((day) => day < today);
  return proposeHoldBlock({
    today,
    school: profile.school,
    heavySets: { done: heavy.length, slipped: heavy.filter((set) => set.slippedAtRep !== null).length },
    confidence,
    sport: profile.lifter.sport,
    trainingMonths: trainingMonths(profile),
    rolledToFingertips: heavy.filter((set) => set.cause === 'slip.bar-rolls-to-fingertips').length,
    ...(profile.nextMeet && { meetOn: profile.nextMeet.heldOn }),
    ...(ended.length && { lastBlockEndedOn: ended.at(-1)! }),
  });
}

/** The sessions that carry the block: so many a week, those with the deadlift first, none that breaks a spacing rule. */
function chooseSessions(
  facts: HoldFacts,
  block: Pick<SeasonMarkRow, 'id' | 'startsOn' | 'endsOn' | 'holdKind' | 'sessionsAWeek'>,
): string[] {
  const { profile, contents, sessions, today, settings } = facts;
  const hard = isHardHold(block.holdKind, profile.school, settings.get(block.holdKind)?.effort);
  const open = new Set(
    sessions.filter((each) => !each.finished && each.heldOn >= today).map((each) => each.id),
  );
  // Holds that the block itself put there before are asked anew.
  const own = new Set(
    sessions.filter((each) => each.holds.some((hold) => hold.blockId === block.id)).map((each) => each.id),
  );
  const without = (holds: SessionContent['holds']): SessionContent['holds'] =>
    holds.filter((hold) => hold.kind !== block.holdKind);
  let plan = contents.map((each) =>
    own.has(each.id) && open.has(each.id) ? { ...each, holds: without(each.holds) } : each,
  );
  const chosen: string[] = [];
  for (let monday = block.startsOn; monday <= block.endsOn; monday = shiftDay(monday, 7)) {
    const sunday = shiftDay(monday, 6);
    const inWeek = (each: SessionContent): boolean => each.on >= monday && each.on <= sunday;
    const candidates = plan
      .filter((each) => inWeek(each) && open.has(each.id) && without(each.holds).length < MOST_HOLDS)
      .sort(byFitness);
    let left = block.sessionsAWeek;
    for (const candidate of candidates) {
      if (left === 0) break;
      const tried = plan.map((each) =>
        each.id === candidate.id
          ? { ...each, holds: [...without(each.holds), { kind: block.holdKind, hard }] }
          : each,
      );
      if (hard && breaks(tried, candidate, facts)) continue;
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
    each.holds.length > 0
      ? 0
      : each.sets.some((set) => set.role === 'top' && set.liftId.startsWith('deadlift'))
        ? 1
        : 2;
  return rank(a) - rank(b) || a.on.localeCompare(b.on);
}

/** Does a hold in this session break a rule, within the days around it? */
function breaks(plan: readonly SessionContent[], at: SessionContent, facts: HoldFacts): boolean {
  const near = plan.filter((each) => each.on >= shiftDay(at.on, -6) && each.on <= shiftDay(at.on, 6));
  const week = plan.filter((each) => mondayOf(each.on) === mondayOf(at.on));
  return [near, week].some((sessions, i) => {
    const events = gripEventsOf(sessions);
    return checkGripWeek(weekOf(events, facts)).some(
      (found) =>
        HOLD_RULES.has(found.ruleId) &&
        // Days are counted within a calendar week, hours across it.
        (found.ruleId === 'spacing.hard-grip-days') === (i === 1) &&
        found.events.some((place) => events[place]!.session === at.id),
    );
  });
}
