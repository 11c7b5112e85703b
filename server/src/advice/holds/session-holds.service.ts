import { Injectable } from '@nestjs/common';
import type { CallsView } from '@iron-clasp/contract';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { HoldDecisionsService } from '../../records/hold-decisions/hold-decisions.service.ts';
import { SqueezeService } from '../../records/squeeze/squeeze.service.ts';
import { CurvesService } from '../../evidence/curves/curves.service.ts';
import type { SessionFacts } from '../../evidence/session/session-facts.service.ts';
import { latestReading } from '../../evidence/squeeze/squeeze-tests.ts';
import { HoldPrescriber, wantsBodyMass } from './hold-prescriber.ts';

/** What a session's hold is, and why. */
export type SessionHolds = Pick<CallsView, 'hold' | 'nextHold' | 'holdDecision' | 'easing'>;
const NO_HOLD: SessionHolds = { hold: null, nextHold: null, holdDecision: null, easing: null };

/** The hold of one session: prescribed, made easier where the day's test asks, and as the coach decided. */
@Injectable()
export class SessionHoldsService {
  constructor(
    private readonly decisions: HoldDecisionsService,
    private readonly squeezes: SqueezeService,
    private readonly curves: CurvesService,
    private readonly prescriber: HoldPrescriber,
  ) {}

  /**
   * Today's hold as it stood before anything was logged today, so that it does not move under the lifter's hands,
   * and the next one with today's results in.
   */
  async of(club: ClubRef, facts: SessionFacts): Promise<SessionHolds> {
    const { session, profile, kit, curve, observations, ledger, holdsDone } = facts;
    if (!session.hasHold) return NO_HOLD;
    const [decisions, tests] = await Promise.all([
      this.decisions.ofSessions([session.id]),
      this.squeezes.tests(profile.lifter.id),
    ]);
    const kind = session.holdKind;
    const decision = decisions.find((each) => !each.undone && each.kind === kind) ?? null;
    if (wantsBodyMass(kind, profile)) return { ...NO_HOLD, holdDecision: decision };
    const latest = latestReading(tests.filter((test) => test.testedOn <= session.heldOn));
    const proposed = latest?.test.testedOn === session.heldOn ? latest.reading.easierHolds : undefined;
    const before = observations.filter((each) => each.sessionId !== session.id);
    const todaysCurve =
      before.length === observations.length ? curve : this.curves.fit(profile.lifter, before);
    const base = { club, kind, on: session.heldOn, profile, kit, ledger };
    const todays = { ...base, curve: todaysCurve, without: session.id, decision };
    const full = await this.prescriber.prescribe(todays);
    const easing = latest?.test.easingDeclined ? undefined : proposed;
    const hold = easing ? await this.prescriber.prescribe({ ...todays, easing }) : full;
    const next = { ...base, curve, without: null, decision: null };
    return {
      hold,
      nextHold: holdsDone.length === 0 ? null : await this.prescriber.prescribe(next),
      holdDecision: decision,
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
  }
}
