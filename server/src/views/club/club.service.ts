import { Injectable } from '@nestjs/common';
import {
  ATTENTION_LEVELS,
  findAttention,
  fitHoldCurve,
  gripWork,
  HISTORY_NAMES,
  HOOK_STAGES_BY_ID,
  MEET_NEAR_DAYS,
  SIDES,
  type AttentionFacts,
} from '@iron-clasp/core';
import type { ClubView } from '@iron-clasp/contract';
import { daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { ChangesService } from '../../records/changes/changes.service.ts';
import { HandsChecksService } from '../../records/hands-checks/hands-checks.service.ts';
import { byLifter } from '../../records/lifters/by-lifter.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import type { LoggedHold, LoggedSet } from '../../records/log/log.entity.ts';
import { LogService } from '../../records/log/log.service.ts';
import type { Meet } from '../../records/meets/meet.entity.ts';
import { MeetsService } from '../../records/meets/meets.service.ts';
import type { SqueezeTestRow } from '../../records/squeeze/squeeze.entity.ts';
import { SqueezeService } from '../../records/squeeze/squeeze.service.ts';
import { CurvesService, fitOptions } from '../../evidence/curves/curves.service.ts';
import { gripItems } from '../../evidence/holds/grip-events.ts';
import { HookProgressService } from '../../evidence/hook/hook-progress.service.ts';
import { LifterTodayService, UNCHECKED_HANDS } from '../../evidence/lifter-today/lifter-today.service.ts';
import { attemptCalls } from '../../advice/calls/attempts.ts';
import { latestReading } from '../../evidence/squeeze/squeeze-tests.ts';

@Injectable()
export class ClubService {
  constructor(
    private readonly lifters: LiftersService,
    private readonly checks: HandsChecksService,
    private readonly meets: MeetsService,
    private readonly squeezes: SqueezeService,
    private readonly log: LogService,
    private readonly curves: CurvesService,
    private readonly hooks: HookProgressService,
    private readonly today: LifterTodayService,
    private readonly days: Days,
    private readonly changes: ChangesService,
  ) {}

  /** Who needs attention and why, the gravest first. */
  view(club: ClubRef): Promise<ClubView> {
    return this.changes.untilClubChanged('attention', club, () => this.readAll(club));
  }

  private async readAll(club: ClubRef): Promise<ClubView> {
    const read = await this.findingsOf(club, await this.lifters.onRack(club.id));
    const gravity = ({ findings }: (typeof read)[number]): number =>
      Math.min(...findings.map((found) => ATTENTION_LEVELS.indexOf(found.level)));
    return {
      today: this.days.today(club),
      lifters: read
        .filter((each) => each.findings.length > 0)
        .sort((a, b) => gravity(a) - gravity(b) || b.findings.length - a.findings.length),
      quiet: read.filter((each) => each.findings.length === 0).map(({ id, name }) => ({ id, name })),
    };
  }

  /** What is found of some lifters, in their order. */
  async findingsOf(club: ClubRef, all: readonly Lifter[]): Promise<ClubView['lifters'][number][]> {
    const ids = all.map((each) => each.id);
    const found = await this.changes.allUntilChanged('findings', club, ids, async (missing) => {
      const read = await this.read(club, await this.lifters.someOnRack(club.id, missing));
      return new Map(read.map((each) => [each.id, each]));
    });
    return all.flatMap(({ id }) => found.get(id) ?? []);
  }

  private async read(club: ClubRef, all: readonly Lifter[]): Promise<ClubView['lifters'][number][]> {
    const today = this.days.today(club);
    const week = shiftDay(today, -6);
    const ids = all.map((each) => each.id);
    const [histories, checks, bare, tests, meets, sets, holds, hooks] = await Promise.all([
      this.lifters.histories(ids),
      this.checks.latestOf(ids),
      this.log.bareFortnights(ids, today),
      this.squeezes.testsOf(ids),
      this.meets.nextOf(ids, today),
      this.log.setsSince(ids, week),
      this.log.holdsSince(ids, week),
      this.hooks.of(
        club,
        all.filter(({ hookStage }) => hookStage !== 'none'),
      ),
    ]);
    const own = {
      tests: byLifter(tests),
      sets: byLifter(sets),
      holds: byLifter(holds),
    };
    const read: ClubView['lifters'][number][] = [];
    for (const lifter of all) {
      const { id, name } = lifter;
      const meet = meets.get(id);
      const uncleared = (histories.get(id) ?? []).filter((flag) => !flag.cleared);
      const next = hooks.get(id)?.next;
      const hook = next && next.move !== 'stay' ? { from: lifter.hookStage, to: next.stage } : null;
      const trains = (own.sets.get(id) ?? []).length > 0;
      const about: AttentionFacts = {
        hands: checks.get(id)?.hands ?? UNCHECKED_HANDS,
        slips: bare.get(id) ?? { recent: 0, recentSets: 0, before: 0, beforeSets: 0 },
        uncleared: uncleared.map(({ kind }) => HISTORY_NAMES[kind]),
        ...(trains && { daysSinceLook: daysSince(checks.get(id)?.checkedOn, today) }),
        ...(hook && {
          hook: { move: next!.move === 'up' ? 'up' : 'back', to: `“${HOOK_STAGES_BY_ID[hook.to].name}”` },
        }),
        ...squeezeFacts(own.tests.get(id) ?? [], today),
        ...workFacts(lifter, own.sets.get(id) ?? [], own.holds.get(id) ?? [], today),
        ...(meet && { meet: await this.meetFacts(club, lifter, meet, today) }),
      };
      read.push({ id, name, findings: findAttention(about), hook });
    }
    return read;
  }

  /** The meet, and how likely the lifter's best bare grip holds its last attempt. */
  private async meetFacts(
    club: ClubRef,
    lifter: Lifter,
    meet: Meet,
    today: string,
  ): Promise<NonNullable<AttentionFacts['meet']>> {
    const days = daysBetween(today, meet.heldOn);
    const base = { name: meet.name, days };
    // Where straps are allowed they are used, and the hand is not what gives out.
    if (days > MEET_NEAR_DAYS || meet.straps || meet.attempts.length === 0) return base;
    const [profile, observations, ledger] = await Promise.all([
      this.today.profile(club, lifter.id),
      this.curves.observations(club, lifter),
      this.curves.ledger(club, lifter.id),
    ]);
    const curve = await this.curves.fit(lifter, observations);
    const { load, call } = attemptCalls({ ...profile, nextMeet: meet }, { curve, ledger }).at(-1)!;
    if (call.probability === null) return base;
    const { probability: chance, threshold: asked, verdict } = call;
    return { ...base, third: { load, chance, asked, unproven: verdict === 'unproven' } };
  }
}

const daysSince = (day: string | undefined, today: string): number | null =>
  day === undefined ? null : Math.max(0, daysBetween(day, today));

function squeezeFacts(
  tests: readonly SqueezeTestRow[],
  today: string,
): Pick<AttentionFacts, 'tests' | 'daysSinceTest' | 'squeezeDown'> {
  const last = tests[0]?.testedOn;
  const hands = latestReading(tests)?.reading.hands;
  return {
    tests: tests.length > 0,
    ...(last && { daysSinceTest: Math.max(0, daysBetween(last, today)) }),
    squeezeDown: SIDES.filter((side) => hands?.[side]?.sustainedDrop),
  };
}

/** Closing against opening of the week; by working figures, since a ratio hardly turns on the lifter's own curve. */
function workFacts(
  lifter: Lifter,
  sets: readonly LoggedSet[],
  holds: readonly LoggedHold[],
  today: string,
): Pick<AttentionFacts, 'closingToOpening'> {
  const items = gripItems(sets, holds, lifter.bodyMass, () => true);
  if (items.length === 0) return {};
  const support = fitHoldCurve([], fitOptions(lifter));
  const work = gripWork({ today, items, curves: { support } });
  return work.total > 0 ? { closingToOpening: work.closingToOpening } : {};
}
