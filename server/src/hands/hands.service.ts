import { isDeepStrictEqual } from 'node:util';
import { Injectable } from '@nestjs/common';
import {
  handReminders,
  handsOn,
  mixedLedger,
  nextHookStage,
  nextSideUnder,
  setDemand,
  SIDES,
  SKIN_STATES,
  skinBudget,
  type HandsToday,
  type HandToday,
  type HookedSet,
  type HookSession,
} from '@iron-clasp/core';
import type { HandsCheckRequest, HandsCheckView, HandsHistoryView } from '@iron-clasp/contract';
import { addDays, format, parseISO, startOfISOWeek, subDays } from 'date-fns';
import { CallsService } from '../calls/calls.service.ts';
import { Clock } from '../clock.ts';
import { Problem } from '../http/problem.ts';
import { takenAt } from '../http/taken-at.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import { HoldsRepository } from '../holds/holds.repository.ts';
import type { LoggedSet } from '../log/log.entity.ts';
import { LogRepository } from '../log/log.repository.ts';
import { HandsRepository, type KnownCheck } from './hands.repository.ts';

/** What the hook's sessions are read from, days. */
const HOOK_LOOKS_BACK = 84;

@Injectable()
export class HandsService {
  constructor(
    private readonly hands: HandsRepository,
    private readonly lifters: LiftersService,
    private readonly calls: CallsService,
    private readonly holds: HoldsRepository,
    private readonly log: LogRepository,
    private readonly clock: Clock,
  ) {}

  async history(clubId: string, lifterId: string): Promise<HandsHistoryView> {
    const { lifter, history } = await this.lifters.profile(clubId, lifterId);
    const today = this.clock.today();
    const from = format(subDays(parseISO(today), HOOK_LOOKS_BACK), 'yyyy-MM-dd');
    const [checks, sets, mixed, since] = await Promise.all([
      this.hands.checks(lifterId),
      this.holds.setsSince(lifterId, from),
      this.log.mixedSets(lifterId, today),
      this.hands.stageSince(lifterId),
    ]);
    const { hands, checkedOn, stale } = handsOn(checks, today);
    const hooked = sets.filter((set) => set.grip === 'hook' && !set.strapped && set.liftId);
    const sessions = hookSessions(hooked, checks).filter((each) => since === null || each.on >= since);
    const monday = format(startOfISOWeek(parseISO(today)), 'yyyy-MM-dd');
    const ledger = mixedLedger(mixed);
    const budget = skinBudget(
      lifter.hookStage,
      lifter.deadliftMax,
      hooked.filter((set) => dayOf(set) >= monday).map(costOf),
    );
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
      }),
    };
  }

  /** Keeps a check and says which calls it changed. Sent again under the same id it changes nothing. */
  async check(
    clubId: string,
    accountId: string,
    lifterId: string,
    id: string,
    body: HandsCheckRequest,
  ): Promise<HandsCheckView> {
    const before = await this.lifters.profile(clubId, lifterId);
    const at = takenAt(this.clock, body.checkedAt, 'checkedAt');
    const checkedOn = format(at, 'yyyy-MM-dd');
    // Asserts the hands, naming what is wrong.
    handsOn([{ on: checkedOn, hands: body.hands }], checkedOn);
    const hands = onlyKnown(body.hands);
    const stored = await this.hands.keep({
      id,
      lifterId,
      checkedOn,
      checkedAt: at,
      hands,
      checkedBy: accountId,
    });
    if (stored.lifterId !== lifterId || !isDeepStrictEqual(stored.hands, hands))
      throw new Problem(
        409,
        'checked-differently',
        'Another check is already kept under this entry. The first one was kept; reload to see it.',
      );
    const changed = await this.calls.changedByHands(clubId, lifterId, before.hands);
    return { hands, checkedOn, changed };
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
    ...(bicepsPain !== undefined && { bicepsPain }),
    ...(spreadingPain !== undefined && { spreadingPain }),
  });
  return Object.fromEntries(SIDES.map((side) => [side, one(hands[side])])) as unknown as HandsToday;
}

const dayOf = (set: LoggedSet): string => format(set.doneAt, 'yyyy-MM-dd');

function costOf({ liftId, reps, load, style, seconds }: LoggedSet): HookedSet {
  return setDemand({ lift: liftId, reps, load, style, ...(seconds && { seconds }) });
}

/** Days with hooked sets, with the thumbs as the next check within two days saw them, else the last one before. */
function hookSessions(hooked: readonly LoggedSet[], checks: readonly KnownCheck[]): HookSession[] {
  const days = new Map<string, LoggedSet[]>();
  for (const set of hooked) days.set(dayOf(set), [...(days.get(dayOf(set)) ?? []), set]);
  return [...days].map(([on, sets]) => {
    const soon = format(addDays(parseISO(on), 2), 'yyyy-MM-dd');
    const check = checks.find((each) => each.on <= soon);
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
      skin: SKIN_STATES[worst]!,
      ...(nail && { nail }),
      slipped: sets.some((set) => set.slippedAtRep !== null),
    };
  });
}
