import { Injectable } from '@nestjs/common';
import { group } from 'd3-array';
import {
  blockReport,
  checkGripWeek,
  gripWork,
  gripWorkByWeek,
  HOLD_KINDS,
  HOLD_KINDS_BY_ID,
  type BlockReport,
  type HoldKindId,
} from '@iron-clasp/core';
import type {
  GripWeekView,
  HoldKindView,
  HoldSettingView,
  HoldsView,
  NextHoldView,
} from '@iron-clasp/contract';
import { mondayOf, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import type { SeasonMarkRow } from '../../records/hold-blocks/season-mark.entity.ts';
import type { HoldSetting } from '../../records/hold-settings/hold-setting.entity.ts';
import { ChangesService } from '../../records/changes/changes.service.ts';
import { inForce } from '../../records/hold-decisions/hold-decisions.service.ts';
import type { TrainingSession } from '../../records/training/training.entity.ts';
import {
  clashViews,
  gripEventsOf,
  gripItems,
  isHeavyBareSet,
  weekOf,
} from '../../evidence/holds/grip-events.ts';
import {
  HoldFactsService,
  WEEKS_AHEAD,
  WEEKS_BACK,
  type HoldFacts,
} from '../../evidence/holds/hold-facts.service.ts';
import { missingFor } from '../../evidence/holds/hold-kit.ts';
import { forearmWeek } from '../../advice/planning/forearm-work.service.ts';
import { wantsBodyMass } from '../../advice/holds/hold-prescriber.ts';
import { proposalOf } from '../../advice/holds/plan-blocks.service.ts';
import { SessionHoldPlansService } from '../../advice/holds/session-hold-plans.service.ts';
import { loggedHold } from '../calls/call-views.ts';

/** Latest blocks that are reported on. */
const BLOCKS_REPORTED = 3;

@Injectable()
export class HoldsViewService {
  constructor(
    private readonly facts: HoldFactsService,
    private readonly plans: SessionHoldPlansService,
    private readonly changes: ChangesService,
  ) {}

  /** The lifter's hold work over the weeks, what comes next of each kind, and the balance of the week. */
  view(club: ClubRef, lifterId: string): Promise<HoldsView> {
    return this.changes.untilChanged('holds', { club, lifterId }, () => this.read(club, lifterId));
  }

  private async read(club: ClubRef, lifterId: string): Promise<HoldsView> {
    const facts = await this.facts.of(club, lifterId);
    const { profile, today, sessions, holds, sets, decisions, blocks } = facts;
    const monday = mondayOf(today);
    const items = gripItems(sets, holds, profile.lifter.bodyMass, facts.isHard);
    const work = { today, items, curves: { support: facts.curve } };
    const done = group(holds, (hold) => `${hold.sessionId} ${hold.kind}`);
    const coming = sessions.filter((session) => session.heldOn >= today && !session.finished);
    return {
      today,
      weeks: Array.from({ length: WEEKS_BACK + WEEKS_AHEAD + 1 }, (_, i) =>
        shiftDay(monday, 7 * (i - WEEKS_BACK)),
      ),
      meetOn: profile.nextMeet?.heldOn ?? null,
      kinds: await this.kindViews(club, facts),
      planned: coming.flatMap((session) =>
        session.holds.map(({ kind, blockId }) => ({
          sessionId: session.id,
          version: session.version,
          on: session.heldOn,
          title: session.title,
          kind,
          blockId,
          decision: inForce(decisions, session.id, kind),
        })),
      ),
      done: [...done.values()].map((each) => ({
        sessionId: each[0]!.sessionId,
        on: each[0]!.trainingDay,
        kind: each[0]!.kind,
        holds: each.map(loggedHold),
      })),
      blocks: blocks.map((block, i) => ({
        id: block.id,
        version: block.version,
        label: block.label,
        kind: block.holdKind,
        from: block.startsOn,
        to: block.endsOn,
        sessionsAWeek: block.sessionsAWeek,
        // A report is three fits of the curve: told of the latest blocks.
        report: i < blocks.length - BLOCKS_REPORTED ? null : reportOf(block, facts),
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
        holds: session.holds.map((hold) => hold.kind),
      })),
    };
  }

  private kindViews(club: ClubRef, facts: HoldFacts): Promise<HoldKindView[]> {
    return Promise.all(HOLD_KINDS.map((kind) => this.kindView(club, kind, facts)));
  }

  private async kindView(club: ClubRef, kind: HoldKindId, facts: HoldFacts): Promise<HoldKindView> {
    const { sessions, today, profile, kits, usualKit } = facts;
    const next = sessions.find(
      (session) =>
        session.heldOn >= today && !session.finished && session.holds.some((hold) => hold.kind === kind),
    );
    const kit = (next && kits.get(next.id)) ?? usualKit;
    const wants = wantsBodyMass(kind, profile);
    return {
      kind,
      missing: kit ? missingFor(kind, kit) : [],
      wantsBodyMass: wants,
      setting: settingView(facts.settings.get(kind)),
      pinHeights: HOLD_KINDS_BY_ID[kind].pins ? (kit?.pinHeights ?? []) : [],
      next: next && kits.has(next.id) && !wants ? await this.nextView(club, facts, next, kind) : null,
    };
  }

  private async nextView(
    club: ClubRef,
    facts: HoldFacts,
    session: TrainingSession,
    kind: HoldKindId,
  ): Promise<NextHoldView> {
    const decision = inForce(facts.decisions, session.id, kind);
    return {
      sessionId: session.id,
      version: session.version,
      on: session.heldOn,
      title: session.title,
      venue: facts.kits.get(session.id)!.venue.name,
      prescription: await this.plans.prescribe(club, facts, session, kind, decision),
      decision,
      history: facts.holds.filter((hold) => hold.kind === kind).length,
    };
  }

  /** One week's forearm work as it would close the gaps, and what clashes in it. */
  private weekView(facts: HoldFacts, monday: string): GripWeekView {
    const to = shiftDay(monday, 6);
    const week = facts.contents.filter((session) => session.on >= monday && session.on <= to);
    const events = gripEventsOf(week);
    return {
      from: monday,
      forearm: forearmWeek(facts, monday),
      clashes: clashViews(checkGripWeek(weekOf(events, facts)), events),
    };
  }
}

function settingView(setting: HoldSetting | undefined): HoldSettingView | null {
  if (!setting) return null;
  const { version, aim, effort, ceiling, target, pinHeight } = setting;
  return { version, aim, effort, ceiling, target, pinHeight };
}

/** What a block that has begun did to the load held 10 s, to slips and to confidence. */
function reportOf(
  { startsOn, endsOn }: SeasonMarkRow,
  { today, moving, sets }: HoldFacts,
): BlockReport | null {
  if (startsOn > today) return null;
  return blockReport({
    ...{ today, startsOn, endsOn, moving },
    heavySets: sets.filter(isHeavyBareSet).map(({ trainingDay, slippedAtRep, confidence }) => ({
      on: trainingDay,
      slipped: slippedAtRep !== null,
      ...(confidence !== null && { confidence }),
    })),
  });
}
