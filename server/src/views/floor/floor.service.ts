import { Injectable } from '@nestjs/common';
import { rankSlipCauses, SET_ROLE_NAMES } from '@iron-clasp/core';
import {
  slipOf,
  type CalledSet,
  type FinishRequest,
  type FloorView,
  type SessionEndView,
} from '@iron-clasp/contract';
import { Clock } from '../../platform/clock/clock.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { takenAt } from '../../platform/http/taken-at.ts';
import { SqueezeService } from '../../records/squeeze/squeeze.service.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { fitOptions } from '../../evidence/curves/curves.service.ts';
import { SessionFactsService } from '../../evidence/session/session-facts.service.ts';
import { asTest, WORKING_PROTOCOL } from '../../evidence/squeeze/squeeze-tests.ts';
import { AuditsService } from '../../advice/audits/audits.service.ts';
import { CallsService } from '../../advice/calls/calls.service.ts';
import { CallsViewService } from '../calls/calls-view.service.ts';

@Injectable()
export class FloorService {
  constructor(
    private readonly facts: SessionFactsService,
    private readonly views: CallsViewService,
    private readonly calls: CallsService,
    private readonly audits: AuditsService,
    private readonly squeezes: SqueezeService,
    private readonly training: TrainingService,
    private readonly clock: Clock,
  ) {}

  /** The session with everything its calls rest on, so that a floor can call it again without a network. */
  async floor(club: ClubRef, sessionId: string): Promise<FloorView> {
    const facts = await this.facts.of(club, sessionId);
    const { profile, session, kit } = facts;
    const { curve: _curve, ...context } = this.calls.contextOf(facts);
    const tests = (await this.squeezes.tests(session.lifterId)).filter((test) => test.trials.length > 0);
    const [latest] = tests;
    // The latest of the day counts; those before it, of that day too, are what it is read against.
    const today = tests.findIndex((test) => test.testedOn === session.heldOn);
    const before = tests.findIndex((test) => test.testedOn < session.heldOn);
    return {
      squeeze: {
        protocolId: latest?.protocolId ?? null,
        protocol: latest?.protocol ?? WORKING_PROTOCOL,
        earlier: (before < 0 ? [] : tests.slice(before)).map(asTest),
        today: today < 0 ? null : asTest(tests[today]!),
        todays: tests.filter((test) => test.testedOn === session.heldOn).map(asTest),
      },
      calls: await this.views.of(club, facts),
      finished: session.finished,
      hands: profile.hands,
      handsOn: profile.handsOn,
      equipment: kit.equipment as FloorView['equipment'],
      underWay: {
        bodyMass: profile.lifter.bodyMass,
        session: context,
        // The device fits with the scales found here, and then has this curve to the last digit.
        fit: {
          ...fitOptions(profile.lifter),
          scales: facts.moving.fit.scales,
          underWay: facts.session.heldOn === profile.today,
        },
        observations: facts.observations
          .filter((each) => each.sessionId !== sessionId)
          .map(({ sessionId: _session, source: _source, ...observation }) => observation),
      },
    };
  }

  /** How the session went against its plan, what slipped and likely why, and what comes next. */
  async end(club: ClubRef, sessionId: string): Promise<SessionEndView> {
    const facts = await this.facts.of(club, sessionId);
    const { session } = facts;
    const view = await this.views.of(club, facts);
    // A slip is judged by what was expected of the set before it was done.
    const expected = this.calls.before(facts);
    const done = view.sets.filter((set) => set.done !== null);
    const slipped = view.sets
      .map((set, i) => ({ set, call: expected[i]! }))
      .filter(({ set }) => set.done && set.done.slippedAtRep !== null);
    return {
      session: view.session,
      finishedAt: session.finishedAt?.toISOString() ?? null,
      note: session.noteToLifter ?? '',
      planned: view.sets.length,
      done: done.length,
      slips: slipped.map(({ set: { liftName, role, done: entry } }) => ({
        liftName,
        role,
        load: entry!.load,
        reps: entry!.reps,
        slippedAtRep: entry!.slippedAtRep!,
        grip: entry!.grip,
      })),
      causes: rankSlipCauses(
        slipped.map(({ set, call }) =>
          slipOf(set, { ...set.done!, slippedAtRep: set.done!.slippedAtRep! }, call.probability),
        ),
      ),
      audit: this.audits.findings(facts),
      holds: view.holdsDone,
      nextHolds: view.holds.flatMap(({ next, hold }) => next ?? hold ?? []),
      otherwise: view.sets.flatMap(otherwise),
    };
  }

  /** Ends the session with a word to the lifter; sent again it is the same end. */
  async finish(club: ClubRef, sessionId: string, body: FinishRequest): Promise<SessionEndView> {
    const session = await this.training.known(club.id, sessionId);
    const finishedAt = takenAt(this.clock, body.finishedAt, 'finishedAt');
    await this.training.finish(session, finishedAt, body.note || null);
    return this.end(club, sessionId);
  }

  /** Begins a grip audit; answers with the floor to run it on. */
  async audit(club: ClubRef, lifterId: string, sessionId: string): Promise<FloorView> {
    await this.audits.start(club, lifterId, sessionId);
    return this.floor(club, sessionId);
  }

  /** Opens an ended session again. */
  async reopen(club: ClubRef, sessionId: string): Promise<void> {
    const session = await this.training.known(club.id, sessionId);
    await this.training.finish(session, null, session.noteToLifter);
  }
}

/** A set left out, or done otherwise than planned, in a sentence. */
function otherwise(set: CalledSet): string[] {
  const name = `${set.liftName}, ${SET_ROLE_NAMES[set.role]}`;
  const { done } = set;
  if (!done) return [`${name}: left out.`];
  const lighter = done.load - set.loading.total;
  const parts = [
    ...(Math.abs(lighter) > 0.05
      ? [`${Math.abs(lighter).toFixed(1)} kg ${lighter < 0 ? 'lighter' : 'heavier'}`]
      : []),
    ...(done.reps !== set.reps ? [`${done.reps} of ${set.reps} repetitions`] : []),
  ];
  return parts.length ? [`${name}: ${parts.join(', ')}.`] : [];
}
