import { Injectable } from '@nestjs/common';
import {
  ATTENTION_LEVELS,
  curveOverTime,
  findAttention,
  fitHoldCurve,
  gripWork,
  GRIPS,
  HISTORY_NAMES,
  MEET_NEAR_DAYS,
  holdProbability,
  REFERENCE_SHARE_OF_DEADLIFT,
  setDemand,
  SIDES,
  type AttentionFacts,
  type AttentionFinding,
  type Grip,
} from '@iron-clasp/core';
import type { ClubCurvesEvent, ClubView } from '@iron-clasp/contract';
import { differenceInCalendarDays, format, parseISO, subDays } from 'date-fns';
import { Observable } from 'rxjs';
import { Clock } from '../clock.ts';
import { CurvesService } from '../curves/curves.service.ts';
import { gripItems } from '../holds/grip-events.ts';
import type { Meet } from '../lifters/lifter.entity.ts';
import { UNCHECKED_HANDS } from '../lifters/lifters.repository.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { LoggedHold, LoggedSet } from '../log/log.entity.ts';
import { LogRepository } from '../log/log.repository.ts';
import type { SqueezeTestRow } from '../squeeze/squeeze.entity.ts';
import { SqueezeRepository } from '../squeeze/squeeze.repository.ts';
import { latestReading } from '../squeeze/squeeze-tests.ts';
import { ClubRepository, type ClubFacts } from './club.repository.ts';

/** Weeks over which every curve is fitted, and how far back observations are wanted for the oldest. */
const WEEKS = 26;
const MEMORY_DAYS = WEEKS * 7 + 200;

@Injectable()
export class ClubService {
  constructor(
    private readonly club: ClubRepository,
    private readonly squeezes: SqueezeRepository,
    private readonly lifters: LiftersService,
    private readonly curves: CurvesService,
    private readonly log: LogRepository,
    private readonly clock: Clock,
  ) {}

  /** Who needs attention and why, the gravest first. */
  async view(clubId: string): Promise<ClubView> {
    const today = this.clock.today();
    const week = subDays(parseISO(today), 6);
    const facts = await this.club.facts(clubId, today);
    const ids = facts.map((each) => each.id);
    const [tests, meets, sets, holds] = await Promise.all([
      this.squeezes.testsOf(ids),
      this.club.meets(ids, today),
      this.club.sets(ids, week),
      this.club.holds(ids, week),
    ]);
    const own = {
      tests: grouped(tests),
      meets: grouped(meets),
      sets: grouped(sets),
      holds: grouped(holds),
    };
    const read: { id: string; name: string; findings: AttentionFinding[] }[] = [];
    for (const each of facts) {
      const meet = own.meets.get(each.id)?.[0];
      const about: AttentionFacts = {
        hands: each.hands ?? UNCHECKED_HANDS,
        slips: {
          recent: each.recent,
          recentSets: each.recent_sets,
          before: each.before,
          beforeSets: each.before_sets,
        },
        uncleared: each.uncleared.map((kind) => HISTORY_NAMES[kind]),
        ...squeezeFacts(own.tests.get(each.id) ?? [], today),
        ...workFacts(each, own.sets.get(each.id) ?? [], own.holds.get(each.id) ?? [], today),
        ...(meet && { meet: await this.meetFacts(clubId, each, meet, today) }),
      };
      read.push({ id: each.id, name: each.name, findings: findAttention(about) });
    }
    const gravity = ({ findings }: (typeof read)[number]): number =>
      Math.min(...findings.map((found) => ATTENTION_LEVELS.indexOf(found.level)));
    return {
      today,
      lifters: read
        .filter((each) => each.findings.length > 0)
        .sort((a, b) => gravity(a) - gravity(b) || b.findings.length - a.findings.length),
      quiet: read.filter((each) => each.findings.length === 0).map(({ id, name }) => ({ id, name })),
    };
  }

  /** Fits every lifter's curve over all weeks, telling each as it is done; whoever stops listening stops the work. */
  allCurves(clubId: string): Observable<{ data: ClubCurvesEvent }> {
    return new Observable((listener) => {
      const work = async (): Promise<void> => {
        const today = this.clock.today();
        const lifters = await this.club.lifters(clubId);
        const total = lifters.length;
        listener.next({ data: { done: 0, total, lifter: null } });
        const days = Array.from({ length: WEEKS + 1 }, (_, i) => 7 * (WEEKS - i));
        for (const [i, { id, name, deadliftMax }] of lifters.entries()) {
          if (listener.closed) return;
          const observations = await this.log.observations(id, today, MEMORY_DAYS);
          const then = [];
          for (const ago of days) {
            if (listener.closed) return;
            then.push(
              ...curveOverTime(observations, [ago], {
                referenceLoad: REFERENCE_SHARE_OF_DEADLIFT * deadliftMax,
              }),
            );
            // Others are served between two fits.
            await new Promise((resolve) => setImmediate(resolve));
          }
          const weeks = then.map(({ daysAgo, tenSeconds, curve }) => ({
            on: format(subDays(parseISO(today), daysAgo), 'yyyy-MM-dd'),
            tenSeconds,
            behind: curve.evidence.observations,
          }));
          listener.next({ data: { done: i + 1, total, lifter: { id, name, weeks } } });
        }
        listener.complete();
      };
      work().catch((error: unknown) => listener.error(error));
    });
  }

  /** The meet, and how likely the lifter's best bare grip holds its last attempt. */
  private async meetFacts(
    clubId: string,
    { id, deadlift_max }: ClubFacts,
    meet: Meet,
    today: string,
  ): Promise<NonNullable<AttentionFacts['meet']>> {
    const days = differenceInCalendarDays(parseISO(meet.heldOn), parseISO(today));
    const base = { name: meet.name, days };
    // Where straps are allowed they are used, and the hand is not what gives out.
    if (days > MEET_NEAR_DAYS || meet.straps || meet.attempts.length === 0) return base;
    const load = meet.attempts.at(-1)!;
    const profile = await this.lifters.profile(clubId, id);
    const observations = await this.curves.observations(id);
    const curve = fitHoldCurve(observations, { referenceLoad: REFERENCE_SHARE_OF_DEADLIFT * deadlift_max });
    const demand = setDemand({ lift: 'deadlift.conventional', reps: 1, load });
    // Two attempts come before it.
    const chance = Math.max(
      ...bareGrips(profile.lifter.hookStage).map((grip) =>
        holdProbability(curve, { ...demand, grip, earlierHolds: 2 }),
      ),
    );
    return { ...base, third: { load, chance, asked: profile.lifter.thresholds.attempt } };
  }
}

/** Grips a lifter may take to a meet: the hook only where it has been carried to top sets. */
function bareGrips(hookStage: string): Grip[] {
  return GRIPS.filter((grip) => grip !== 'hook' || hookStage === 'carry' || hookStage === 'settled');
}

function grouped<Row extends { readonly lifterId: string }>(rows: readonly Row[]): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const group = groups.get(row.lifterId);
    if (group) group.push(row);
    else groups.set(row.lifterId, [row]);
  }
  return groups;
}

function squeezeFacts(
  tests: readonly SqueezeTestRow[],
  today: string,
): Pick<AttentionFacts, 'tests' | 'daysSinceTest' | 'squeezeDown'> {
  const last = tests[0]?.testedOn;
  const hands = latestReading(tests)?.reading.hands;
  return {
    tests: tests.length > 0,
    ...(last && { daysSinceTest: Math.max(0, differenceInCalendarDays(parseISO(today), parseISO(last))) }),
    squeezeDown: SIDES.filter((side) => hands?.[side]?.sustainedDrop),
  };
}

/** Closing against opening of the week; by working figures, since a ratio hardly turns on the lifter's own curve. */
function workFacts(
  { deadlift_max, body_mass }: ClubFacts,
  sets: readonly LoggedSet[],
  holds: readonly LoggedHold[],
  today: string,
): Pick<AttentionFacts, 'closingToOpening'> {
  const items = gripItems(sets, holds, body_mass);
  if (items.length === 0) return {};
  const support = fitHoldCurve([], { referenceLoad: REFERENCE_SHARE_OF_DEADLIFT * deadlift_max });
  const work = gripWork({ today, items, curves: { support } });
  return work.total > 0 ? { closingToOpening: work.closingToOpening } : {};
}
