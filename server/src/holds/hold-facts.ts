import { Injectable } from '@nestjs/common';
import { mixedLedger, type HoldCurve, type MixedLedger } from '@iron-clasp/core';
import { addDays, format, parseISO, startOfISOWeek } from 'date-fns';
import { Clock } from '../clock.ts';
import { CurvesService } from '../curves/curves.service.ts';
import { KitRepository, type VenueKit } from '../kit/kit.repository.ts';
import type { SeasonMarkRow } from '../lifters/lifter.entity.ts';
import type { LifterProfile } from '../lifters/lifters.repository.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { LoggedHold, LoggedSet } from '../log/log.entity.ts';
import { LogRepository } from '../log/log.repository.ts';
import type { SqueezeTestRow } from '../squeeze/squeeze.entity.ts';
import { SqueezeRepository } from '../squeeze/squeeze.repository.ts';
import type { TrainingSession } from '../training/training.entity.ts';
import type { SessionContent } from './grip-events.ts';
import { HoldsRepository, type KnownDecision } from './holds.repository.ts';

/** Weeks shown behind and ahead of this one. */
export const WEEKS_BACK = 8;
export const WEEKS_AHEAD = 7;

export const shift = (day: string, days: number): string =>
  format(addDays(parseISO(day), days), 'yyyy-MM-dd');
export const mondayOf = (day: string): string => format(startOfISOWeek(parseISO(day)), 'yyyy-MM-dd');

/** Everything the holds page rests on. */
export interface HoldFacts {
  readonly profile: LifterProfile;
  readonly today: string;
  readonly curve: HoldCurve;
  readonly ledger: MixedLedger;
  readonly sessions: readonly TrainingSession[];
  readonly contents: readonly SessionContent[];
  readonly sets: readonly LoggedSet[];
  readonly holds: readonly (LoggedHold & { readonly on: string })[];
  readonly decisions: readonly KnownDecision[];
  /** Squeeze tests, the latest first. */
  readonly tests: readonly SqueezeTestRow[];
  readonly kits: ReadonlyMap<string, VenueKit>;
  readonly blocks: readonly SeasonMarkRow[];
}

/** Reads what everything about a lifter's holds is worked out from. */
@Injectable()
export class HoldFactsService {
  constructor(
    private readonly kept: HoldsRepository,
    private readonly lifters: LiftersService,
    private readonly kit: KitRepository,
    private readonly log: LogRepository,
    private readonly curves: CurvesService,
    private readonly squeezes: SqueezeRepository,
    private readonly clock: Clock,
  ) {}

  async of(clubId: string, lifterId: string): Promise<HoldFacts> {
    const profile = await this.lifters.profile(clubId, lifterId);
    const today = this.clock.today();
    const monday = mondayOf(today);
    const from = shift(monday, -7 * (WEEKS_BACK + 4));
    const to = shift(monday, 7 * (WEEKS_AHEAD + 1) - 1);
    const [sessions, sets, holds, blocks, observations, mixed, tests] = await Promise.all([
      this.kept.sessions(lifterId, from, to),
      this.kept.setsSince(lifterId, from),
      this.kept.done(lifterId, from),
      this.kept.blocks(lifterId),
      this.curves.observations(lifterId),
      this.log.mixedSets(lifterId, today),
      this.squeezes.tests(lifterId),
    ]);
    const coming = sessions.filter((session) => session.heldOn >= today);
    const [planned, decisions, ...kits] = await Promise.all([
      this.kept.plannedSets(coming.map((session) => session.id)),
      this.kept.decisions(coming.map((session) => session.id)),
      ...[...new Set(coming.map((session) => session.venueId))].map((venueId) =>
        this.kit.kit(clubId, venueId),
      ),
    ]);
    return {
      profile,
      today,
      curve: this.curves.fit(profile.lifter, observations),
      ledger: mixedLedger(mixed),
      sessions,
      contents: sessions.map((session) => {
        const logged = sets.filter((set) => set.sessionId === session.id);
        const held = holds.filter((hold) => hold.sessionId === session.id);
        return {
          id: session.id,
          on: session.heldOn,
          sets: logged.length ? logged : planned.filter((set) => set.sessionId === session.id),
          hold: held[0]?.kind ?? (session.hasHold && !session.finished ? session.holdKind : null),
          failed: held.length > 0 && held.every((hold) => hold.ended === 'slipped'),
          tested: tests.some((test) => test.sessionId === session.id || test.testedOn === session.heldOn),
        };
      }),
      sets,
      holds,
      decisions,
      tests,
      kits: new Map(kits.flatMap((kit) => (kit ? [[kit.venue.id, kit] as const] : []))),
      blocks,
    };
  }
}
