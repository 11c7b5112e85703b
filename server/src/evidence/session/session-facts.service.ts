import { Injectable } from '@nestjs/common';
import {
  curveOn,
  isGripWeekFull,
  SCHOOLS,
  slipsOf,
  type CallLifter,
  type HoldCurve,
  type MixedLedger,
  type MovingCurve,
  type School,
} from '@iron-clasp/core';
import { shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { notFound } from '../../platform/http/problem.ts';
import {
  CallOverridesService,
  type KnownOverride,
} from '../../records/call-overrides/call-overrides.service.ts';
import { ChangesService } from '../../records/changes/changes.service.ts';
import { KitService, type VenueKit } from '../../records/kit/kit.service.ts';
import type { LoggedHold, LoggedSet } from '../../records/log/log.entity.ts';
import { LogService } from '../../records/log/log.service.ts';
import { SchoolsService } from '../../records/schools/schools.service.ts';
import type { PlannedSet, TrainingSession } from '../../records/training/training.entity.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { CurvesService, type LoggedObservation } from '../curves/curves.service.ts';
import { hookBudget } from '../log/hook-budget.ts';
import { ownKit } from './session-parts.ts';
import { LifterTodayService, type LifterProfile } from '../lifter-today/lifter-today.service.ts';

/** Everything one session's calls rest on. */
export interface SessionFacts {
  readonly session: TrainingSession;
  readonly profile: LifterProfile;
  readonly kit: VenueKit;
  readonly sets: readonly PlannedSet[];
  readonly observations: readonly LoggedObservation[];
  readonly moving: MovingCurve;
  /** Of the day of the session where that is today, with what today's sets tell of the day; else of any day. */
  readonly curve: HoldCurve;
  readonly ledger: MixedLedger;
  /** Every override of the session, undone ones too, the latest first. */
  readonly overrides: readonly KnownOverride[];
  /** Those of the practice book and the club's own. */
  readonly schools: readonly School[];
  /** What is logged of the session. */
  readonly setsDone: readonly LoggedSet[];
  readonly holdsDone: readonly LoggedHold[];
  /** Bare grips that slipped in the session, with what lay on the hands, kg. */
  readonly slippedToday: NonNullable<CallLifter['slippedToday']>;
  /** What the week before the session leaves. */
  readonly week: WeekSoFar;
}

/** What was done in the week of a session, the session itself left out. */
export interface WeekSoFar {
  /** Hooked load-seconds, kg·s, that the stage still allows; left out where the stage has no limit. */
  readonly hookBudgetLeft?: number;
  readonly gripWorkHigh: boolean;
}

@Injectable()
export class SessionFactsService {
  constructor(
    private readonly training: TrainingService,
    private readonly lifters: LifterTodayService,
    private readonly kit: KitService,
    private readonly log: LogService,
    private readonly curves: CurvesService,
    private readonly overrides: CallOverridesService,
    private readonly schools: SchoolsService,
    private readonly changes: ChangesService,
  ) {}

  /** What the calls of a session of the club rest on; a 404 where it is not there. */
  async of(club: ClubRef, sessionId: string): Promise<SessionFacts> {
    return this.ofSession(club, await this.training.known(club.id, sessionId));
  }

  /** The same of a session that is kept; read once until something of it changes. */
  ofSession(club: ClubRef, { id, lifterId }: TrainingSession): Promise<SessionFacts> {
    return this.changes.untilChanged('session facts', { club, lifterId, id }, async () => {
      // Read again: what the caller has may be older than the count of changes.
      const session = await this.training.known(club.id, id);
      return this.ofDraft(club, session, await this.lifters.profile(club, lifterId));
    });
  }

  /** The same of a session as it would be; nothing of it needs to be kept. */
  async ofDraft(club: ClubRef, session: TrainingSession, profile: LifterProfile): Promise<SessionFacts> {
    const [house, sets, observations, ledger, overrides, copies, setsDone, holdsDone, week] =
      await Promise.all([
        this.kit.at(club.id, session.venueId, session.barId),
        this.training.plannedSets([session.id]),
        this.curves.observations(club, profile.lifter),
        this.curves.ledger(club, session.lifterId),
        this.overrides.ofSession(session.id),
        this.schools.inUse(club.id),
        this.log.setsOf([session.id]),
        this.log.holdsOf([session.id]),
        this.weekOf(session, profile),
      ]);
    if (!house) throw notFound('venue');
    const kit = ownKit(house, session, profile.nextMeet);
    const moving = await this.curves.moving(profile.lifter, observations);
    return {
      ...{ session, profile, kit, sets, observations, ledger, overrides, setsDone, holdsDone, week },
      ...{ moving, curve: curveOn(moving, 0, session.heldOn === profile.today) },
      schools: [...SCHOOLS, ...copies],
      slippedToday: slipsOf(setsDone),
    };
  }

  /** What was done from the Monday of the session's week, and in the seven days up to it. */
  private async weekOf({ id, heldOn }: TrainingSession, { lifter }: LifterProfile): Promise<WeekSoFar> {
    const since = shiftDay(heldOn, -6);
    const [logged, held] = await Promise.all([
      this.log.setsSince([lifter.id], since),
      this.log.holdsSince([lifter.id], since),
    ]);
    const sets = logged.filter((set) => set.sessionId !== id && set.trainingDay <= heldOn);
    const { left } = hookBudget(lifter, sets, heldOn);
    const done = [...sets, ...held.filter((hold) => hold.sessionId !== id && hold.trainingDay <= heldOn)];
    return {
      // A hook that was never started has no budget to spend.
      ...(left !== null && lifter.hookStage !== 'none' && { hookBudgetLeft: left }),
      gripWorkHigh: isGripWeekFull(
        done.map(({ trainingDay, liftId }) => ({ on: trainingDay, liftId })),
        heldOn,
      ),
    };
  }
}
