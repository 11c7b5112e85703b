import { Injectable } from '@nestjs/common';
import {
  closeProbability,
  closeProbabilityRange,
  fitGripperLadder,
  gripperPlan,
  halfChanceResistance,
  SIDES,
  type Estimate,
  type GripperAttempt,
  type GripperLadder,
  type Side,
} from '@iron-clasp/core';
import type { GripperAttemptRequest, GrippersView } from '@iron-clasp/contract';
import { addDays, format, parseISO } from 'date-fns';
import { Clock } from '../clock.ts';
import { notFound, Problem } from '../http/problem.ts';
import { takenAt } from '../http/taken-at.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { GripperAttemptRow } from './gripper-attempt.entity.ts';
import { GrippersRepository, type KnownAttempt } from './grippers.repository.ts';

/** Attempts listed; all of them count. */
const LISTED = 120;
/** Weeks looked back for progress, and the step between two points. */
const WEEKS_BACK = 24;
const STEP_WEEKS = 4;

@Injectable()
export class GrippersService {
  constructor(
    private readonly grippers: GrippersRepository,
    private readonly lifters: LiftersService,
    private readonly clock: Clock,
  ) {}

  /** The club's ladder as it stands for this lifter, with the next session of each hand. */
  async view(clubId: string, lifterId: string): Promise<GrippersView> {
    const profile = await this.lifters.profile(clubId, lifterId);
    const today = this.clock.today();
    const [ladder, attempts] = await Promise.all([
      this.grippers.ladder(clubId),
      this.grippers.attempts(lifterId, today),
    ]);
    const fitted = fitAsOf(attempts, 0);
    const lifter = this.lifters.forCalls(profile);
    const bySide = <Answer>(of: (side: Side) => Answer): Record<Side, Answer> =>
      Object.fromEntries(SIDES.map((side) => [side, of(side)])) as Record<Side, Answer>;
    return {
      ladder: ladder.map((gripper) => ({
        ...gripper,
        chance: bySide((hand) => chanceOf(fitted, hand, gripper.resistance)),
      })),
      attempts: attempts.slice(0, LISTED).map(({ age: _age, ...attempt }) => attempt),
      plans: bySide((hand) => gripperPlan({ ladder: fitted, hand, grippers: ladder, lifter })),
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
    clubId: string,
    accountId: string,
    lifterId: string,
    id: string,
    body: GripperAttemptRequest,
  ): Promise<void> {
    await this.lifters.profile(clubId, lifterId);
    if (!(await this.grippers.gripper(clubId, body.gripperId))) throw notFound('gripper');
    if (body.closed && body.gapMm) {
      const message = 'A closed gripper leaves no gap: take the gap out, or say that it was not closed.';
      throw new Problem(400, 'invalid-input', message, [{ path: 'gapMm', message }]);
    }
    const row: GripperAttemptRow = {
      id,
      lifterId,
      gripperId: body.gripperId,
      hand: body.hand,
      depth: body.depth,
      closed: body.closed,
      gapMm: body.closed ? null : (body.gapMm ?? null),
      seconds: body.seconds ?? null,
      note: body.note?.trim() || null,
      doneAt: takenAt(this.clock, body.doneAt, 'doneAt'),
      loggedBy: accountId,
      undoneAt: null,
    };
    const stored = await this.grippers.keep(row);
    const fields = ['lifterId', 'gripperId', 'hand', 'depth', 'closed', 'gapMm', 'seconds'] as const;
    if (fields.some((field) => stored[field] !== row[field]))
      throw new Problem(
        409,
        'logged-differently',
        'Another attempt is already kept under this entry. The first one was kept; reload to see it.',
      );
  }

  /** Takes an attempt back; it is hidden, not lost. */
  async undo(clubId: string, id: string): Promise<void> {
    if (!(await this.grippers.undo(clubId, id, this.clock.now()))) throw notFound('attempt');
  }
}

/** The ladder as it stood some days ago, from what was logged by then. */
function fitAsOf(attempts: readonly KnownAttempt[], daysAgo: number): GripperLadder {
  return fitGripperLadder(
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
        on: format(addDays(parseISO(today), -7 * week), 'yyyy-MM-dd'),
        left: halfChanceResistance(ladder, 'left'),
        right: halfChanceResistance(ladder, 'right'),
        attempts: ladder.evidence.attempts,
      };
    });
}
