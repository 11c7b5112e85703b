import { Injectable } from '@nestjs/common';
import { handReminders, handsOn, nextSideUnder, type HandsToday, type HandToday } from '@iron-clasp/core';
import type { HandsCheckRequest, HandsCheckView, HandsHistoryView } from '@iron-clasp/contract';
import { Clock } from '../../platform/clock/clock.ts';
import { daysBetween, mondayOf, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { takenAt } from '../../platform/http/taken-at.ts';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { HandsChecksService } from '../../records/hands-checks/hands-checks.service.ts';
import { LogService } from '../../records/log/log.service.ts';
import { CurvesService } from '../../evidence/curves/curves.service.ts';
import { HookProgressService } from '../../evidence/hook/hook-progress.service.ts';
import { hookBudget } from '../../evidence/log/hook-budget.ts';
import { LifterTodayService } from '../../evidence/lifter-today/lifter-today.service.ts';
import { CallsService } from '../../advice/calls/calls.service.ts';

/** A check as the page lists it. */
type KnownCheck = HandsHistoryView['checks'][number];

@Injectable()
export class HandsViewService {
  constructor(
    private readonly checks: HandsChecksService,
    private readonly lifters: LifterTodayService,
    private readonly hooks: HookProgressService,
    private readonly accounts: AccountsService,
    private readonly calls: CallsService,
    private readonly curves: CurvesService,
    private readonly log: LogService,
    private readonly clock: Clock,
    private readonly days: Days,
  ) {}

  async history(club: ClubRef, lifterId: string): Promise<HandsHistoryView> {
    const { lifter, history, today, nextMeet } = await this.lifters.profile(club, lifterId);
    const [checks, week, ledger, progress] = await Promise.all([
      this.known(lifterId),
      this.log.setsSince([lifterId], mondayOf(today)),
      this.curves.ledger(club, lifterId),
      this.hooks.of(club, [lifter]),
    ]);
    const { next, sessions } = progress.get(lifterId)!;
    const { hands, checkedOn, stale } = handsOn(checks, today);
    const budget = hookBudget(lifter, week, today);
    return {
      now: hands,
      checkedOn: checkedOn ?? null,
      stale,
      checks,
      hook: {
        stage: lifter.hookStage,
        ...{ next, sessions, budget },
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
