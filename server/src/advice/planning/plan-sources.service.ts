import { Injectable } from '@nestjs/common';
import {
  lineAsShare,
  lineFor,
  liftOf,
  maxOfLift,
  parseSetLine,
  planLineFor,
  type KnownBests,
  type MassUnit,
} from '@iron-clasp/core';
import type { LibraryPlan, LibrarySession, PlanSource } from '@iron-clasp/contract';
import { daysBetween, mondayOf, shiftDay, weekOf, type ClubRef } from '../../platform/days/club-day.ts';
import { Problem } from '../../platform/http/problem.ts';
import type { LibraryPlanRow } from '../../records/library/library.entity.ts';
import { LibraryService, type LibraryContent } from '../../records/library/library.service.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import type { SessionLine, TrainingSession } from '../../records/training/training.entity.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { linesOf, readPlan } from './session-lines.ts';

/** A session to be written for somebody, read from wherever it stands. */
export interface SourceSession extends LibrarySession {
  readonly rehearsesMeet: boolean;
  /** Where it is held; null for one of the library. */
  readonly place: { readonly venueId: string; readonly barId: string | null } | null;
}

/** What is copied, with the bests that its loads were written against. */
export interface SourcePlan {
  readonly kind: LibraryPlan['kind'];
  readonly sessions: readonly SourceSession[];
  readonly bests: KnownBests;
  /** Whose it is; null for the library's. */
  readonly lifterId: string | null;
}

/** What a best is taken as in the library: its shares are of it, whoever they are written for. */
const NOMINAL = 100;

/** Reads what is copied: a session, a week, or a plan of the library. */
@Injectable()
export class PlanSourcesService {
  constructor(
    private readonly training: TrainingService,
    private readonly lifters: LiftersService,
    private readonly library: LibraryService,
  ) {}

  async read(club: ClubRef, source: PlanSource, unit: MassUnit): Promise<SourcePlan> {
    const { sessionId, lifterId, week, planId } = source;
    const named = [sessionId, lifterId, planId].filter((each) => each !== undefined).length;
    if (named !== 1 || (week === undefined) !== (lifterId === undefined))
      throw new Problem(
        400,
        'invalid-input',
        'Name one source: a session, a lifter with a day of the week, or a plan of the library.',
      );
    if (planId) return ofLibrary(await this.library.known(club.id, planId));
    if (sessionId) {
      const session = await this.training.known(club.id, sessionId);
      const lifter = await this.lifters.known(club.id, session.lifterId);
      return this.ofSessions(lifter, 'session', [session], unit);
    }
    const lifter = await this.lifters.known(club.id, lifterId!);
    const sessions = await this.training.between(lifter.id, ...weekOf(week!));
    return this.ofSessions(lifter, 'week', sessions, unit);
  }

  /** What a plan of the library holds from now on. */
  async changed(
    club: ClubRef,
    planId: string,
    sessions: readonly LibrarySession[],
    unit: MassUnit,
  ): Promise<LibraryContent> {
    const plan = await this.library.known(club.id, planId);
    if (plan.kind === 'session' && sessions.length > 1)
      throw new Problem(
        400,
        'invalid-input',
        'A plan of one session holds one. Keep a week to have several.',
      );
    // A share of a lift that no other lift's best stands in for is of its own.
    const known = ofLibrary(plan).bests;
    const shares = sessions
      .flatMap(({ lines }) => lines)
      .filter(({ liftId, text }) => {
        const read = parseSetLine(text, { ...nominal([liftId]), unit, lift: liftId });
        return read.of !== undefined && !maxOfLift(liftId, known);
      });
    const bests = [...new Set([...plan.bests, ...shares.map(({ liftId }) => liftId)])].sort();
    return { kind: plan.kind, bests, sessions: readPlan(sessions, nominal(bests), unit) };
  }

  private async ofSessions(
    { id, deadliftMax, bestLifts }: Lifter,
    kind: SourcePlan['kind'],
    sessions: readonly TrainingSession[],
    unit: MassUnit,
  ): Promise<SourcePlan> {
    // A grip audit is made set by set as the hand answers: there is no plan to copy.
    const plans = sessions.filter((session) => !session.audit);
    const sets = await this.training.plannedSets(plans.map((session) => session.id));
    const found = plans
      .map(({ id: sessionId, heldOn, title, lines, holds, rehearsesMeet, venueId, barId }) => ({
        day: daysBetween(mondayOf(heldOn), heldOn),
        ...{ title, rehearsesMeet, place: { venueId, barId } },
        lines:
          lines ??
          linesOf(
            sets.filter((set) => set.sessionId === sessionId),
            unit,
          ),
        holds: holds.map((hold) => hold.kind),
      }))
      .filter(({ lines }) => lines.length > 0);
    if (found.length === 0)
      throw new Problem(409, 'nothing-written', 'Nothing is written there, so there is nothing to copy.');
    return { kind, sessions: found, bests: { deadliftMax, bests: bestLifts }, lifterId: id };
  }
}

function ofLibrary({ kind, sessions, bests }: LibraryPlanRow): SourcePlan {
  return {
    kind,
    sessions: sessions.map((session) => ({ ...session, rehearsesMeet: false, place: null })),
    bests: nominal(bests),
    lifterId: null,
  };
}

/** Bests of nobody: what shares of a plan are of. */
const nominal = (bests: readonly string[]): KnownBests => ({
  deadliftMax: NOMINAL,
  bests: bests.map((liftId) => ({ liftId, load: NOMINAL })),
});

/** A plan as the library keeps it: nobody's loads, but the shares they are of a best, wherever one is known. */
export function libraryContentOf({ kind, sessions, bests }: SourcePlan, unit: MassUnit): LibraryContent {
  const lifts = new Set<string>();
  for (const { liftId } of sessions.flatMap((session) => session.lines)) {
    const basis = maxOfLift(liftId, bests)?.liftId;
    if (basis && bests.bests?.some((best) => best.liftId === basis)) lifts.add(basis);
  }
  return {
    kind,
    bests: [...lifts].sort(),
    sessions: sessions.map(({ day, title, lines, holds }) => ({
      ...{ day, title, holds },
      lines: lines.map(({ liftId, text }) => ({
        liftId,
        text: lineAsShare(text, { ...bests, unit, lift: liftId }),
      })),
    })),
  };
}

/** A plan's lines for one lifter, and those whose load could not be carried over; a fault names its line. */
export function linesFor(
  lines: readonly SessionLine[],
  { bests: from, lifterId }: Pick<SourcePlan, 'bests' | 'lifterId'>,
  to: KnownBests,
  unit: MassUnit,
): { readonly lines: readonly SessionLine[]; readonly kept: readonly string[]; readonly fault?: string } {
  const write = lifterId === null ? planLineFor : lineFor;
  const written: SessionLine[] = [];
  const kept: string[] = [];
  for (const { liftId, text } of lines) {
    const found = write(text, { ...from, unit, lift: liftId }, to);
    if (found.fault)
      return { lines: [], kept: [], fault: `${liftOf(liftId).name}, ${text}: ${found.fault.message}` };
    written.push({ liftId, text: found.line });
    if (found.kept) kept.push(`${liftOf(liftId).name} ${found.line}`);
  }
  return { lines: written, kept };
}

/** The day of a session of a plan, copied to a day: to that day itself, or into its week. */
export const dayOf = (kind: SourcePlan['kind'], { day }: SourceSession, on: string): string =>
  kind === 'session' ? on : shiftDay(mondayOf(on), day);
