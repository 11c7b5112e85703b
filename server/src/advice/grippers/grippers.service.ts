import { Injectable } from '@nestjs/common';
import {
  closeProbability,
  closeProbabilityRange,
  fitGripperLadder,
  gripperPlan,
  halfChanceResistance,
  type Estimate,
  type GripperAttempt,
  type GripperLadder,
  type Side,
} from '@iron-clasp/core';
import type { GripperAttemptRequest, GrippersView } from '@iron-clasp/contract';
import { Clock } from '../../platform/clock/clock.ts';
import { daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { invalid, notFound } from '../../platform/http/problem.ts';
import { takenAt } from '../../platform/http/taken-at.ts';
import { Remembered } from '../../platform/memory/remembered.ts';
import { GripperAttemptsService } from '../../records/grippers/gripper-attempts.service.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import { forCalls } from '../../evidence/lifter-today/for-calls.ts';
import { LifterTodayService } from '../../evidence/lifter-today/lifter-today.service.ts';

/** Attempts further back than this weigh under a twentieth, days. */
const MEMORY_DAYS = 400;
/** Attempts listed; all of them count. */
const LISTED = 120;
/** Weeks looked back for progress, and the step between two points. */
const WEEKS_BACK = 24;
const STEP_WEEKS = 4;

@Injectable()
export class GrippersService {
  constructor(
    private readonly attempts: GripperAttemptsService,
    private readonly kit: KitService,
    private readonly lifters: LifterTodayService,
    private readonly clock: Clock,
    private readonly days: Days,
  ) {}

  /** The club's ladder as it stands for this lifter, with the next session of each hand. */
  async view(club: ClubRef, lifterId: string): Promise<GrippersView> {
    const profile = await this.lifters.profile(club, lifterId);
    const { today } = profile;
    const [{ ladder, byId }, rows] = await Promise.all([
      this.kit.grippers(club.id),
      this.attempts.since(lifterId, shiftDay(today, -MEMORY_DAYS)),
    ]);
    const attempts = rows.map(
      ({ id, gripperId, hand, depth, closed, gapMm, seconds, note, trainingDay }) => ({
        ...{ id, on: trainingDay, gripperId, hand, depth, closed, gapMm, seconds, note },
        gripperName: byId.get(gripperId)?.name ?? '',
        resistance: byId.get(gripperId)?.resistance ?? null,
        age: Math.max(0, daysBetween(trainingDay, today)),
      }),
    );
    const fitted = fitAsOf(attempts, 0);
    const lifter = forCalls(profile);
    const grippers = ladder.map(({ id, name, resistance }) => ({ id, name, resistance }));
    const bySide = <Answer>(of: (side: Side) => Answer): Record<Side, Answer> => ({
      left: of('left'),
      right: of('right'),
    });
    return {
      ladder: ladder.map((gripper) => ({
        ...gripper,
        chance: bySide((hand) => chanceOf(fitted, hand, gripper.resistance)),
      })),
      attempts: attempts.slice(0, LISTED).map(({ age: _age, ...attempt }) => attempt),
      plans: bySide((hand) => gripperPlan({ ladder: fitted, hand, grippers, lifter })),
      evidence: {
        attempts: fitted.evidence.attempts,
        unrated: fitted.evidence.unrated,
        settled: fitted.evidence.settled,
      },
      progress: progressOf(attempts, today),
    };
  }

  /** Keeps an attempt; sent again with the same content it changes nothing. */
  async keep(
    club: ClubRef,
    by: string,
    lifterId: string,
    id: string,
    body: GripperAttemptRequest,
  ): Promise<void> {
    await this.lifters.profile(club, lifterId);
    const { gripperId, hand, depth, closed } = body;
    if (!(await this.kit.grippers(club.id)).byId.has(gripperId)) throw notFound('gripper');
    if (closed && body.gapMm)
      throw invalid(
        'gapMm',
        'A closed gripper leaves no gap: take the gap out, or say that it was not closed.',
      );
    const doneAt = takenAt(this.clock, body.doneAt, 'doneAt');
    await this.attempts.keep({
      ...{ id, clubId: club.id, lifterId, gripperId, hand, depth, closed },
      gapMm: closed ? null : (body.gapMm ?? null),
      seconds: body.seconds ?? null,
      note: body.note || null,
      ...{ doneAt, trainingDay: this.days.dayOf(club, doneAt), loggedBy: by, undoneAt: null },
    });
  }

  /** Takes an attempt back; it is hidden, not lost. */
  undo(club: ClubRef, id: string): Promise<void> {
    return this.attempts.undo(club.id, id, this.clock.now());
  }
}

/** An attempt at the resistance that its gripper is known to have now, with how long ago it was. */
type KnownAttempt = GrippersView['attempts'][number] & { readonly age: number };

/** Ladders of a club's lifters: the page asks for seven, and only the last one changes from day to day. */
const ladders = new Remembered((attempts: readonly GripperAttempt[]) => fitGripperLadder(attempts), {
  max: 5000,
});

/** The ladder as it stood some days ago, from what was logged by then. */
function fitAsOf(attempts: readonly KnownAttempt[], daysAgo: number): GripperLadder {
  return ladders.of(
    attempts
      .filter((each) => each.age >= daysAgo)
      .map(({ hand, resistance, depth, closed, gapMm, age }): GripperAttempt => ({
        hand,
        resistance,
        depth,
        closed,
        ageDays: age - daysAgo,
        ...(gapMm !== null && { gapMm }),
      })),
  );
}

function chanceOf(ladder: GripperLadder, hand: Side, resistance: number | null): Estimate | null {
  if (resistance === null) return null;
  const question = { hand, resistance, depth: 'open' } as const;
  return { value: closeProbability(ladder, question), ...closeProbabilityRange(ladder, question) };
}

function progressOf(attempts: readonly KnownAttempt[], today: string): GrippersView['progress'] {
  const oldest = attempts.at(-1)?.age ?? 0;
  const weeks = Array.from({ length: WEEKS_BACK / STEP_WEEKS + 1 }, (_, i) => WEEKS_BACK - i * STEP_WEEKS);
  return weeks
    .filter((week) => week === 0 || week * 7 <= oldest)
    .map((week) => {
      const ladder = fitAsOf(attempts, week * 7);
      return {
        on: shiftDay(today, -7 * week),
        left: halfChanceResistance(ladder, 'left'),
        right: halfChanceResistance(ladder, 'right'),
        attempts: ladder.evidence.attempts,
      };
    });
}
