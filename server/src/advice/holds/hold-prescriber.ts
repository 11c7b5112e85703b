import { Injectable } from '@nestjs/common';
import { group } from 'd3-array';
import {
  easeHold,
  prescribeHold,
  type Easing,
  type HoldCurve,
  type HoldKindId,
  type HoldPrescription,
  type HoldRequest,
  type HoldSession,
  type MixedLedger,
  holdLift,
} from '@iron-clasp/core';
import { daysBetween, shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import type { HoldSetting } from '../../records/hold-settings/hold-setting.entity.ts';
import type { KnownDecision } from '../../records/hold-decisions/hold-decisions.service.ts';
import type { VenueKit } from '../../records/kit/kit.service.ts';
import type { LoggedHold } from '../../records/log/log.entity.ts';
import { LogService } from '../../records/log/log.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { isHardHold, isHeavyBarePull } from '../../evidence/holds/grip-events.ts';
import { rulesOf } from '../../evidence/session/event-of.ts';
import { CurvesService } from '../../evidence/curves/curves.service.ts';
import { kitFor } from '../../evidence/holds/hold-kit.ts';
import { forCalls } from '../../evidence/lifter-today/for-calls.ts';
import type { LifterProfile } from '../../evidence/lifter-today/lifter-today.service.ts';
import { isStrappedByCall } from '../../evidence/session/strapped-by-call.ts';
import { venueOf } from '../../evidence/session/session-parts.ts';
import { decidedHold } from './decided-hold.ts';

/** Days around a hold in which something can stand too close. */
const CLOSE_DAYS = 2;

/** What a hold of a session is prescribed from. */
export interface HoldQuestion {
  readonly club: ClubRef;
  readonly kind: HoldKindId;
  /** Day of the session. */
  readonly on: string;
  readonly profile: LifterProfile;
  readonly kit: VenueKit;
  /** The support curve; pinches find their own. */
  readonly curve: HoldCurve;
  readonly ledger: MixedLedger;
  /** A session whose logged holds are left out: today's prescription stands while it is done. */
  readonly without: string | null;
  /** The decision that stands, or null. */
  readonly decision: KnownDecision | null;
  readonly easing?: Easing | undefined;
  /** How the coach wants the kind prescribed, where it was said. */
  readonly setting: HoldSetting | undefined;
}

/** A hang needs to know what hangs. */
export function wantsBodyMass(kind: HoldKindId, { lifter }: LifterProfile): boolean {
  return holdLift(kind).loadMeans === 'addedToBody' && lifter.bodyMass === null;
}

@Injectable()
export class HoldPrescriber {
  constructor(
    private readonly log: LogService,
    private readonly curves: CurvesService,
    private readonly training: TrainingService,
  ) {}

  /** The hold as the engine prescribes it, made easier where the day’s test asks, and then as the coach decided. */
  async prescribe(question: HoldQuestion): Promise<HoldPrescription> {
    const { club, kind, profile, decision, easing } = question;
    const pinch = holdLift(kind).curve === 'pinch';
    const [holds, curve, timing] = await Promise.all([
      this.log.latestHolds(profile.lifter.id, kind, question.without),
      pinch ? this.curves.pinchCurve(club, profile.lifter) : question.curve,
      this.timingOf(question),
    ]);
    const request = holdRequest({ ...question, curve }, holds, timing);
    const prescribed = prescribeHold(request);
    const eased = easing && !prescribed.barred ? easeHold(prescribed, easing, request.equipment) : prescribed;
    return decidedHold(eased, decision, request);
  }

  /** What stands close to the hold: the last hard hold before it, and the next heavy bare-handed deadlift after it. */
  private async timingOf({
    kind,
    on,
    profile,
    without,
    setting,
    curve,
    ledger,
    kit,
  }: HoldQuestion): Promise<NonNullable<HoldRequest['timing']>> {
    // The hold after this one is of no day yet, and only what is hard needs its distance.
    if (without === null || !isHardHold(kind, profile.school, setting?.effort)) return {};
    const { lifter, school } = profile;
    const [held, sessions] = await Promise.all([
      this.log.holdsSince([lifter.id], shiftDay(on, -CLOSE_DAYS)),
      this.training.between(lifter.id, shiftDay(on, 1), shiftDay(on, CLOSE_DAYS)),
    ]);
    const hard = held.filter(
      (hold) => hold.sessionId !== without && hold.trainingDay < on && isHardHold(hold.kind, school),
    );
    const sets = await this.training.plannedSets(sessions.map((session) => session.id));
    const bare = sessions.filter((session) =>
      sets.some(
        (set) =>
          set.sessionId === session.id &&
          isHeavyBarePull({
            ...{ liftId: set.liftId, role: set.role },
            strapped: isStrappedByCall(set, { profile, curve, ledger, kit }),
          }),
      ),
    );
    const hours = (from: string, to: string): number => 24 * daysBetween(from, to);
    return {
      ...(hard.length > 0 && {
        hoursSinceHardHold: Math.min(...hard.map((hold) => hours(hold.trainingDay, on))),
      }),
      ...(bare.length > 0 && {
        hoursToBareDeadlift: Math.min(...bare.map((session) => hours(on, session.heldOn))),
      }),
    };
  }
}

/** What the engine is asked, with the curve that the kind follows. */
export function holdRequest(
  question: HoldQuestion,
  holds: readonly LoggedHold[],
  timing: NonNullable<HoldRequest['timing']>,
): HoldRequest {
  const { kind, on, profile, kit, curve, ledger, setting } = question;
  const { lifter, school, nextMeet } = profile;
  const { equipment, lift, diameter } = kitFor(kind, kit);
  return {
    ...{ kind, curve, school, ledger, equipment, timing },
    lifter: forCalls(profile),
    venue: venueOf(kit),
    history: sessionsOf(holds),
    ...(setting?.aim && { aim: setting.aim }),
    ...(setting?.effort && { effort: setting.effort }),
    ...(setting?.ceiling && { ceiling: setting.ceiling }),
    ...(setting?.target && {
      target: { load: setting.target.load, daysAway: daysBetween(on, setting.target.on) },
    }),
    pins: { heights: kit.pinHeights, ...(setting?.pinHeight && { chosen: setting.pinHeight }) },
    ...(lift && { lift }),
    ...(diameter && { diameter }),
    ...(lifter.bodyMass !== null && { bodyMass: lifter.bodyMass }),
    ...(nextMeet?.heldOn === on && { event: rulesOf(nextMeet) }),
    ...(nextMeet && nextMeet.heldOn >= on && { meet: { daysAway: daysBetween(on, nextMeet.heldOn) } }),
  };
}

/** Logged holds, the latest session first, as the sessions they were. */
function sessionsOf(holds: readonly LoggedHold[]): HoldSession[] {
  return [...group(holds, (hold) => hold.sessionId).values()].map((each) => ({
    load: Math.max(...each.map((hold) => hold.load)),
    grip: each[0]!.grip,
    target: each[0]!.target,
    ...(each[0]!.pin !== null && { pin: each[0]!.pin }),
    sets: each.map(({ seconds, ended }) => ({ seconds, ended })),
  }));
}
