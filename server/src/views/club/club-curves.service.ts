import { Injectable } from '@nestjs/common';
import {
  addBackTests,
  blockDrift,
  curveOverTime,
  poolBlockDrifts,
  readBackTest,
  type BlockDrift,
} from '@iron-clasp/core';
import type { BlockEffectView, ClubBackTestView, ClubCurvesEvent } from '@iron-clasp/contract';
import { Observable } from 'rxjs';
import { daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { HoldBlocksService } from '../../records/hold-blocks/hold-blocks.service.ts';
import type { SeasonMarkRow } from '../../records/hold-blocks/season-mark.entity.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { BackTestsService } from '../../evidence/curves/back-tests.service.ts';
import { CurvesService, MEMORY_DAYS } from '../../evidence/curves/curves.service.ts';

/** Weeks over which every curve is shown. */
const WEEKS = 26;

/** The curves of all lifters: how they moved, how far to trust them, and what blocks did. */
@Injectable()
export class ClubCurvesService {
  constructor(
    private readonly lifters: LiftersService,
    private readonly curves: CurvesService,
    private readonly backTests: BackTestsService,
    private readonly blocks: HoldBlocksService,
    private readonly days: Days,
  ) {}

  /** Fits every lifter's curve over all weeks, telling each as it is done; whoever stops listening stops the work. */
  all(club: ClubRef): Observable<ClubCurvesEvent> {
    return new Observable((listener) => {
      const work = async (): Promise<void> => {
        const today = this.days.today(club);
        const lifters = await this.lifters.onRack(club.id);
        const total = lifters.length;
        listener.next({ done: 0, total, lifter: null });
        const days = Array.from({ length: WEEKS + 1 }, (_, i) => 7 * (WEEKS - i));
        for (const [i, lifter] of lifters.entries()) {
          if (listener.closed) return;
          const { id, name } = lifter;
          const observations = await this.curves.observations(club, lifter);
          const then = curveOverTime(await this.curves.moving(lifter, observations), days);
          const weeks = then.map(({ daysAgo, tenSeconds, behind }) => ({
            on: shiftDay(today, -daysAgo),
            tenSeconds,
            behind,
          }));
          listener.next({ done: i + 1, total, lifter: { id, name, weeks } });
          // Others are served between two fits.
          await new Promise((resolve) => setImmediate(resolve));
        }
        listener.complete();
      };
      work().catch((error: unknown) => listener.error(error));
    });
  }

  /** What was said beforehand against what happened, over all lifters and of each. */
  async backTest(club: ClubRef): Promise<ClubBackTestView> {
    const lifters = await this.lifters.onRack(club.id);
    const kept = await this.backTests.ofAll(club, lifters);
    const tallies = [...kept.values()].flatMap(({ tally }) => tally ?? []);
    return {
      club: readBackTest(addBackTests(tallies)),
      lifters: lifters.flatMap(({ id, name }) => {
        const tally = kept.get(id)!.tally;
        if (!tally) return [];
        const { trials, verdict } = readBackTest(tally);
        return [{ id, name, trials, verdict }];
      }),
      underWay: [...kept.values()].filter(({ fresh }) => !fresh).length,
    };
  }

  /** What hold blocks did to the hands, learned over all blocks of the club that have ended. */
  async blockEffect(club: ClubRef): Promise<BlockEffectView> {
    const today = this.days.today(club);
    const lifters = new Map((await this.lifters.onRack(club.id)).map((each) => [each.id, each]));
    const since = shiftDay(today, -MEMORY_DAYS);
    const ended = (await this.blocks.blocksOf([...lifters.keys()], since, today)).filter(
      ({ startsOn, endsOn }) => endsOn <= today && startsOn > since,
    );
    const found: { block: SeasonMarkRow; drift: BlockDrift }[] = [];
    for (const lifterId of new Set(ended.map((block) => block.lifterId))) {
      const lifter = lifters.get(lifterId)!;
      const moving = await this.curves.moving(lifter, await this.curves.observations(club, lifter));
      for (const block of ended.filter((each) => each.lifterId === lifterId)) {
        const [from, to] = [shiftDay(block.startsOn, -1), block.endsOn].map((day) => daysBetween(day, today));
        const drift = blockDrift(moving, from!, to!);
        if (drift) found.push({ block, drift });
      }
    }
    const { perWeek, each } = poolBlockDrifts(found.map(({ drift }) => drift));
    return {
      perWeek,
      blocks: found
        .map(({ block: { id, lifterId, holdKind, startsOn, endsOn } }, i) => ({
          ...{ id, lifterId, lifter: lifters.get(lifterId)!.name },
          ...{ kind: holdKind, startsOn, endsOn, perWeek: each[i]! },
        }))
        .reverse(),
    };
  }
}
