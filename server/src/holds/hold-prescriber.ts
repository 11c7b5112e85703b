import { Injectable } from '@nestjs/common';
import {
  easeHold,
  fitHoldCurve,
  PINCH_REFERENCE_SHARE_OF_DEADLIFT,
  prescribeHold,
  type Easing,
  type HoldCurve,
  type HoldKindId,
  type HoldPrescription,
  type MixedLedger,
  holdLift,
} from '@iron-clasp/core';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import { Clock } from '../clock.ts';
import { venueOf } from '../calls/call-views.ts';
import type { VenueKit } from '../kit/kit.repository.ts';
import type { LifterProfile } from '../lifters/lifters.repository.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import { LogRepository } from '../log/log.repository.ts';
import { decidedHold } from './decided-hold.ts';
import { kitFor } from './hold-kit.ts';
import type { KnownDecision } from './holds.repository.ts';

/** What a hold of a session is prescribed from. */
export interface HoldFacts {
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
}

/** A hang needs to know what hangs. */
export function wantsBodyMass(kind: HoldKindId, { lifter }: LifterProfile): boolean {
  return holdLift(kind).loadMeans === 'addedToBody' && lifter.bodyMass === null;
}

@Injectable()
export class HoldPrescriber {
  constructor(
    private readonly log: LogRepository,
    private readonly lifters: LiftersService,
    private readonly clock: Clock,
  ) {}

  /** The hold as the engine prescribes it, made easier where the day’s test asks, and then as the coach decided. */
  async prescribe(facts: HoldFacts): Promise<HoldPrescription> {
    const { kind, on, profile, kit, ledger, decision, easing } = facts;
    const { lifter, nextMeet } = profile;
    const { equipment, lift, diameter } = kitFor(kind, kit);
    const pinch = holdLift(kind).curve === 'pinch';
    const [history, curve] = await Promise.all([
      this.log.holdHistory(lifter.id, kind, facts.without),
      pinch ? this.pinchCurve(profile) : facts.curve,
    ]);
    const prescribed = prescribeHold({
      kind,
      curve,
      school: profile.school,
      lifter: this.lifters.forCalls(profile),
      venue: venueOf(kit),
      ledger,
      history,
      equipment,
      ...(lift && { lift }),
      ...(diameter && { diameter }),
      ...(lifter.bodyMass !== null && { bodyMass: lifter.bodyMass }),
      ...(nextMeet &&
        nextMeet.heldOn >= on && {
          meet: { daysAway: differenceInCalendarDays(parseISO(nextMeet.heldOn), parseISO(on)) },
        }),
    });
    const eased = easing && !prescribed.barred ? easeHold(prescribed, easing, equipment) : prescribed;
    return decidedHold(eased, decision, equipment);
  }

  private async pinchCurve({ lifter }: LifterProfile): Promise<HoldCurve> {
    const observations = await this.log.pinchObservations(lifter.id, this.clock.today());
    return fitHoldCurve(observations, {
      family: 'pinch',
      referenceLoad: PINCH_REFERENCE_SHARE_OF_DEADLIFT * lifter.deadliftMax,
    });
  }
}
