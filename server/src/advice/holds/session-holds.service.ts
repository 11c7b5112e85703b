import { Injectable } from '@nestjs/common';
import { curveOn, type HoldKindId } from '@iron-clasp/core';
import type { SessionHoldView } from '@iron-clasp/contract';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { OnceFor } from '../../platform/memory/once-for.ts';
import { HoldDecisionsService, inForce } from '../../records/hold-decisions/hold-decisions.service.ts';
import { HoldSettingsService } from '../../records/hold-settings/hold-settings.service.ts';
import { SqueezeService } from '../../records/squeeze/squeeze.service.ts';
import { CurvesService } from '../../evidence/curves/curves.service.ts';
import type { SessionFacts } from '../../evidence/session/session-facts.service.ts';
import { latestReading } from '../../evidence/squeeze/squeeze-tests.ts';
import { HoldPrescriber, wantsBodyMass } from './hold-prescriber.ts';

/** The holds of one session: prescribed, made easier where the day's test asks, and as the coach decided. */
@Injectable()
export class SessionHoldsService {
  /** Facts stand for as long as what they and their holds rest on: nothing else is read. */
  readonly #prescribed = new OnceFor<SessionFacts, SessionHoldView[]>();

  constructor(
    private readonly decisions: HoldDecisionsService,
    private readonly settings: HoldSettingsService,
    private readonly squeezes: SqueezeService,
    private readonly curves: CurvesService,
    private readonly prescriber: HoldPrescriber,
  ) {}

  /**
   * Today's holds as they stood before anything was logged today, so that they do not move under the lifter's hands,
   * and the next ones with today's results in.
   */
  of(club: ClubRef, facts: SessionFacts): Promise<SessionHoldView[]> {
    return this.#prescribed.later(facts, () => this.prescribed(club, facts));
  }

  private async prescribed(club: ClubRef, facts: SessionFacts): Promise<SessionHoldView[]> {
    const { session, profile, kit, curve, moving, observations, ledger, holdsDone } = facts;
    if (session.holds.length === 0) return [];
    const [decisions, tests, settings] = await Promise.all([
      this.decisions.ofSessions([session.id]),
      this.squeezes.tests(profile.lifter.id),
      this.settings.of(profile.lifter.id),
    ]);
    const latest = latestReading(tests.filter((test) => test.testedOn <= session.heldOn));
    const proposed = latest?.test.testedOn === session.heldOn ? latest.reading.easierHolds : undefined;
    const easing = latest?.test.easingDeclined ? undefined : proposed;
    const before = observations.filter((each) => each.sessionId !== session.id);
    const todaysCurve =
      before.length === observations.length ? curve : this.curves.fitPart(profile.lifter, before);
    const one = async (kind: HoldKindId): Promise<SessionHoldView> => {
      const decision = inForce(decisions, session.id, kind);
      if (wantsBodyMass(kind, profile)) return { kind, hold: null, next: null, decision, easing: null };
      const base = { club, kind, on: session.heldOn, profile, kit, ledger, setting: settings.get(kind) };
      const todays = { ...base, curve: todaysCurve, without: session.id, decision };
      const full = await this.prescriber.prescribe(todays);
      // Another day: whether today was a good one or a bad one stays today's.
      const next = { ...base, curve: curveOn(moving, 0), without: null, decision: null };
      return {
        kind,
        hold: easing ? await this.prescriber.prescribe({ ...todays, easing }) : full,
        next: holdsDone.some((hold) => hold.kind === kind) ? await this.prescriber.prescribe(next) : null,
        decision,
        easing: proposed
          ? {
              testId: latest!.test.id,
              share: proposed.share,
              text: proposed.reason.text,
              declined: latest!.test.easingDeclined,
              full: { load: full.load, loading: full.loading, change: full.change, why: full.why },
            }
          : null,
      };
    };
    return Promise.all(session.holds.map((hold) => one(hold.kind)));
  }
}
