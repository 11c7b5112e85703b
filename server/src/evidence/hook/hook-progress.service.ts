import { Injectable } from '@nestjs/common';
import { group } from 'd3-array';
import { nextHookStage, SIDES, SKIN_STATES, type HookMove, type HookSession } from '@iron-clasp/core';
import { dayIn, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import type { HandsCheck } from '../../records/hands-checks/hands-check.entity.ts';
import { HandsChecksService } from '../../records/hands-checks/hands-checks.service.ts';
import { byLifter } from '../../records/lifters/by-lifter.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import type { LoggedSet } from '../../records/log/log.entity.ts';
import { LogService } from '../../records/log/log.service.ts';

/** What the hook's sessions are read from, days. */
const LOOKS_BACK = 84;

/** Where a lifter's hook stands, and where the sessions of its stage take it. */
export interface HookProgress {
  readonly next: HookMove;
  /** Hooked sessions since the stage was entered. */
  readonly sessions: number;
}

/** Where the hooks of lifters go next, from what was hooked since their stage was entered and how the thumbs took it. */
@Injectable()
export class HookProgressService {
  constructor(
    private readonly checks: HandsChecksService,
    private readonly lifters: LiftersService,
    private readonly log: LogService,
    private readonly days: Days,
  ) {}

  async of(club: ClubRef, lifters: readonly Lifter[]): Promise<ReadonlyMap<string, HookProgress>> {
    const ids = lifters.map((each) => each.id);
    const since = shiftDay(this.days.today(club), -LOOKS_BACK);
    const [hooked, checks, entered] = await Promise.all([
      this.log.hookedSince(ids, since),
      this.checks.since(ids, since),
      this.lifters.lastChanges(ids, 'hookStage'),
    ]);
    const own = { hooked: byLifter(hooked), checks: byLifter(checks) };
    return new Map(
      lifters.map(({ id, hookStage }) => {
        const at = entered.get(id);
        const from = at ? dayIn(club.timeZone, at) : since;
        const all = hookSessions(own.hooked.get(id) ?? [], own.checks.get(id) ?? []);
        const sessions = all.filter(({ on }) => on >= from);
        return [id, { next: nextHookStage(hookStage, sessions), sessions: sessions.length }];
      }),
    );
  }
}

/** Days with hooked sets, with the thumbs as a look within two days saw them; without one the session counts for nothing. */
function hookSessions(hooked: readonly LoggedSet[], checks: readonly HandsCheck[]): HookSession[] {
  return [...group(hooked, (set) => set.trainingDay)].map(([on, sets]) => {
    const soon = shiftDay(on, 2);
    const check = checks.find(({ checkedOn }) => checkedOn <= soon && checkedOn >= on);
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
