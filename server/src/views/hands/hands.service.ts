import { Injectable } from '@nestjs/common';
import {
  handReminders,
  handsOn,
  nextHookStage,
  nextSideUnder,
  SIDES,
  SKIN_STATES,
  type HandsToday,
  type HandToday,
  type HookSession,
} from '@iron-clasp/core';
import type { HandsCheckRequest, HandsCheckView, HandsHistoryView } from '@iron-clasp/contract';
import { Clock } from '../../platform/clock/clock.ts';
import { dayIn, daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { takenAt } from '../../platform/http/taken-at.ts';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { HandsChecksService } from '../../records/hands-checks/hands-checks.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import type { LoggedSet } from '../../records/log/log.entity.ts';
import { LogService } from '../../records/log/log.service.ts';
import { CurvesService } from '../../evidence/curves/curves.service.ts';
import { hookBudget } from '../../evidence/log/hook-budget.ts';
import { LifterTodayService } from '../../evidence/lifter-today/lifter-today.service.ts';
import { CallsService } from '../../advice/calls/calls.service.ts';

/** A check as the page lists it. */
type KnownCheck = HandsHistoryView['checks'][number];

/** What the hook's sessions are read from, days. */
const HOOK_LOOKS_BACK = 84;

@Injectable()
export class HandsViewService {
  constructor(
    private readonly checks: HandsChecksService,
    private readonly lifters: LifterTodayService,
    private readonly records: LiftersService,
    private readonly accounts: AccountsService,
    private readonly calls: CallsService,
    private readonly curves: CurvesService,
    private readonly log: LogService,
    private readonly clock: Clock,
    private readonly days: Days,
  ) {}

  async history(club: ClubRef, lifterId: string): Promise<HandsHistoryView> {
    const { lifter, history, today, nextMeet } = await this.lifters.profile(club, lifterId);
    const [checks, sets, ledger, stageAt] = await Promise.all([
      this.known(lifterId),
      this.log.setsSince([lifterId], shiftDay(today, -HOOK_LOOKS_BACK)),
      this.curves.ledger(club, lifterId),
      this.records.lastChange(lifterId, 'hookStage'),
    ]);
    const since = stageAt && dayIn(club.timeZone, stageAt);
    const { hands, checkedOn, stale } = handsOn(checks, today);
    const hooked = sets.filter((set) => set.grip === 'hook' && !set.strapped && set.liftId);
    const sessions = hookSessions(hooked, checks).filter((each) => since === null || each.on >= since);
    const budget = hookBudget(lifter, sets, today);
    return {
      now: hands,
      checkedOn: checkedOn ?? null,
      stale,
      checks,
      hook: {
        stage: lifter.hookStage,
        next: nextHookStage(lifter.hookStage, sessions),
        sessions: sessions.length,
        budget,
      },
      ledger,
      nextUnder: nextSideUnder(ledger, lifter.dominantHand),
      history,
      reminders: handReminders({
        hands,
        hookStage: lifter.hookStage,
        ...(budget.share !== null && { skinSpent: budget.share }),
        ...(nextMeet && { meet: { name: nextMeet.name, days: daysBetween(today, nextMeet.heldOn) } }),
      }),
    };
  }

  /** Keeps a check and says which calls it changed. Sent again under the same id it changes nothing. */
  async check(
    club: ClubRef,
    by: string,
    lifterId: string,
    id: string,
    body: HandsCheckRequest,
  ): Promise<HandsCheckView> {
    const before = await this.lifters.profile(club, lifterId);
    const at = takenAt(this.clock, body.checkedAt, 'checkedAt');
    const checkedOn = this.days.dayOf(club, at);
    const hands = onlyKnown(body.hands);
    await this.checks.keep({
      ...{ id, clubId: club.id, lifterId, checkedOn, checkedAt: at, hands, checkedBy: by },
    });
    const now = await this.lifters.profile(club, lifterId);
    const changed = await this.calls.changedByHands(club, now, before.hands);
    return { hands, checkedOn, changed };
  }

  private async known(lifterId: string): Promise<KnownCheck[]> {
    const rows = await this.checks.latest(lifterId);
    const names = await this.accounts.names(rows.map((row) => row.checkedBy));
    return rows.map(({ id, checkedOn, checkedBy, hands }) => ({
      ...{ id, on: checkedOn, hands },
      by: (checkedBy && names.get(checkedBy)) ?? null,
    }));
  }
}

/** Nothing is stored that the core does not know. */
function onlyKnown(hands: HandsToday): HandsToday {
  const one = ({
    palm,
    thumb,
    finger,
    numb,
    pain,
    elbowPain,
    nail,
    thumbJointPain,
    wristPain,
    bicepsPain,
    spreadingPain,
  }: HandToday): HandToday => ({
    palm,
    thumb,
    finger,
    numb,
    pain,
    elbowPain,
    ...(nail && { nail }),
    ...(thumbJointPain !== undefined && { thumbJointPain }),
    ...(wristPain !== undefined && { wristPain }),
    ...(bicepsPain !== undefined && { bicepsPain }),
    ...(spreadingPain !== undefined && { spreadingPain }),
  });
  return { left: one(hands.left), right: one(hands.right), ...(hands.unwell && { unwell: true }) };
}

/** Days with hooked sets, with the thumbs as a look within two days saw them; without one the session counts for nothing. */
function hookSessions(hooked: readonly LoggedSet[], checks: readonly KnownCheck[]): HookSession[] {
  const days = new Map<string, LoggedSet[]>();
  for (const set of hooked) days.set(set.trainingDay, [...(days.get(set.trainingDay) ?? []), set]);
  return [...days].map(([on, sets]) => {
    const soon = shiftDay(on, 2);
    const check = checks.find((each) => each.on <= soon && each.on >= on);
    const thumbs = SIDES.map((side) => check?.hands[side]);
    const worst = Math.max(...thumbs.map((hand) => SKIN_STATES.indexOf(hand?.thumb ?? 'sound')));
    const nail = thumbs.some((hand) => hand?.nail === 'bleeding')
      ? ('bleeding' as const)
      : thumbs.some((hand) => hand?.nail === 'split')
        ? ('split' as const)
        : undefined;
    return {
      on,
      pain: Math.max(0, ...thumbs.map((hand) => hand?.pain ?? 0), ...sets.map((set) => set.pain ?? 0)),
      ...(check && { skin: SKIN_STATES[worst]! }),
      ...(nail && { nail }),
      slipped: sets.some((set) => set.slippedAtRep !== null),
    };
  });
}
