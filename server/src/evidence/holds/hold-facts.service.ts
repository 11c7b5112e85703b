import { Injectable } from '@nestjs/common';
import type { HoldCurve, MixedLedger } from '@iron-clasp/core';
import { mondayOf, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { HoldBlocksService } from '../../records/hold-blocks/hold-blocks.service.ts';
import type { SeasonMarkRow } from '../../records/hold-blocks/season-mark.entity.ts';
import {
  HoldDecisionsService,
  type KnownDecision,
} from '../../records/hold-decisions/hold-decisions.service.ts';
import { KitService, type VenueKit } from '../../records/kit/kit.service.ts';
import type { LoggedHold, LoggedSet } from '../../records/log/log.entity.ts';
import { LogService } from '../../records/log/log.service.ts';
import type { SqueezeTestRow } from '../../records/squeeze/squeeze.entity.ts';
import { SqueezeService } from '../../records/squeeze/squeeze.service.ts';
import type { TrainingSession } from '../../records/training/training.entity.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { CurvesService } from '../curves/curves.service.ts';
import { LifterTodayService, type LifterProfile } from '../lifter-today/lifter-today.service.ts';
import type { SessionContent } from './grip-events.ts';

/** Weeks shown behind and ahead of this one. */
export const WEEKS_BACK = 8;
export const WEEKS_AHEAD = 7;

/** Everything the holds page rests on. */
export interface HoldFacts {
  readonly profile: LifterProfile;
  readonly today: string;
  readonly curve: HoldCurve;
  readonly ledger: MixedLedger;
  readonly sessions: readonly TrainingSession[];
  readonly contents: readonly SessionContent[];
  readonly sets: readonly LoggedSet[];
  readonly holds: readonly LoggedHold[];
  readonly decisions: readonly KnownDecision[];
  /** Squeeze tests, the latest first. */
  readonly tests: readonly SqueezeTestRow[];
  /** What each coming session is held with, by session: its venue and the bar it names. */
  readonly kits: ReadonlyMap<string, VenueKit>;
  readonly blocks: readonly SeasonMarkRow[];
}

/** Reads what everything about a lifter's holds is worked out from. */
@Injectable()
export class HoldFactsService {
  constructor(
    private readonly decisions: HoldDecisionsService,
    private readonly blocks: HoldBlocksService,
    private readonly training: TrainingService,
    private readonly lifters: LifterTodayService,
    private readonly kit: KitService,
    private readonly log: LogService,
    private readonly curves: CurvesService,
    private readonly squeezes: SqueezeService,
  ) {}

  async of(club: ClubRef, lifterId: string): Promise<HoldFacts> {
    const profile = await this.lifters.profile(club, lifterId);
    const { today } = profile;
    const monday = mondayOf(today);
    const from = shiftDay(monday, -7 * (WEEKS_BACK + 4));
    const to = shiftDay(monday, 7 * (WEEKS_AHEAD + 1) - 1);
    const [sessions, sets, holds, blocks, observations, ledger, tests] = await Promise.all([
      this.training.between(lifterId, from, to),
      this.log.setsSince([lifterId], from),
      this.log.holdsSince([lifterId], from),
      this.blocks.blocks(lifterId),
      this.curves.observations(club, profile.lifter),
      this.curves.ledger(club, lifterId),
      this.squeezes.tests(lifterId),
    ]);
    const coming = sessions.filter((session) => session.heldOn >= today);
    const ids = coming.map((session) => session.id);
    const [planned, decisions, kits] = await Promise.all([
      this.training.plannedSets(ids),
      this.decisions.ofSessions(ids),
      this.kitsOf(club, coming),
    ]);
    return {
      ...{ profile, today, ledger, sessions, sets, holds, decisions, tests, blocks, kits },
      curve: this.curves.fit(profile.lifter, observations),
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
    };
  }

  /** One look at each venue and bar that the sessions name. */
  private async kitsOf(club: ClubRef, sessions: readonly TrainingSession[]): Promise<Map<string, VenueKit>> {
    const key = ({ venueId, barId }: TrainingSession): string => `${venueId} ${barId ?? ''}`;
    const asked = new Map(sessions.map((session) => [key(session), session]));
    const found = new Map(
      await Promise.all(
        [...asked].map(
          async ([name, { venueId, barId }]) => [name, await this.kit.at(club.id, venueId, barId)] as const,
        ),
      ),
    );
    return new Map(
      sessions.flatMap((session) => {
        const kit = found.get(key(session));
        return kit ? [[session.id, kit] as const] : [];
      }),
    );
  }
}
