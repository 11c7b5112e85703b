import { Injectable } from '@nestjs/common';
import {
  callSession,
  handsOn,
  mixedLedger,
  sameCall,
  sayCall,
  REFERENCE_SHARE_OF_DEADLIFT,
  SCHOOLS,
  type CallLifter,
  type EventRules,
  type HoldCurve,
  type HoldRequest,
  type MixedLedger,
  type School,
  type SessionContext,
  type SetCall,
} from '@iron-clasp/core';
import type {
  CallsView,
  CurveView,
  FloorView,
  HandsCheckView,
  MoveSessionRequest,
  OverrideRequest,
  WhatIfRequest,
  WhatIfView,
} from '@iron-clasp/contract';
import { Clock } from '../clock.ts';
import { CurvesService } from '../curves/curves.service.ts';
import { HoldPrescriber, wantsBodyMass } from '../holds/hold-prescriber.ts';
import { HoldsRepository } from '../holds/holds.repository.ts';
import { changedMeanwhile, notFound, Problem } from '../http/problem.ts';
import { KitRepository, type VenueKit } from '../kit/kit.repository.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { LifterProfile } from '../lifters/lifters.repository.ts';
import type { LoggedHold } from '../log/log.entity.ts';
import { LogRepository, type LoggedObservation } from '../log/log.repository.ts';
import type { PlannedSet, TrainingSession } from '../training/training.entity.ts';
import { SchoolsRepository } from '../schools/schools.repository.ts';
import { SqueezeRepository } from '../squeeze/squeeze.repository.ts';
import { asTest, latestReading, WORKING_PROTOCOL } from '../squeeze/squeeze-tests.ts';
import { TrainingRepository } from '../training/training.repository.ts';
import {
  attemptsOf,
  calledSet,
  demandsOf,
  headOf,
  liftOf,
  loggedHold,
  overrideFor,
  overridesOf,
  triedSet,
  venueOf,
} from './call-views.ts';
import { OverridesRepository, type KnownOverride } from './overrides.repository.ts';
import { faultsOf } from '../training/plan-faults.ts';
import { tried } from './what-if.ts';

/** Everything one session's calls rest on. */
interface SessionFacts {
  readonly session: TrainingSession;
  readonly profile: LifterProfile;
  readonly kit: VenueKit;
  readonly sets: readonly PlannedSet[];
  readonly observations: readonly LoggedObservation[];
  readonly curve: HoldCurve;
  readonly ledger: MixedLedger;
  /** Every override of the session, undone ones too, the latest first. */
  readonly overrides: readonly KnownOverride[];
  /** Those of the practice book and the club's own. */
  readonly schools: readonly School[];
  readonly slippedToday: NonNullable<CallLifter['slippedToday']>;
}

/** Circumstances that replace the session's own for once. */
interface Circumstances {
  readonly kit?: VenueKit;
  readonly chalk?: HoldRequest['venue']['chalk'];
  readonly barDiameter?: number;
  readonly event?: EventRules;
  readonly lifter?: Partial<CallLifter>;
}

@Injectable()
export class CallsService {
  constructor(
    private readonly training: TrainingRepository,
    private readonly lifters: LiftersService,
    private readonly kit: KitRepository,
    private readonly log: LogRepository,
    private readonly curves: CurvesService,
    private readonly overrides: OverridesRepository,
    private readonly schools: SchoolsRepository,
    private readonly prescriber: HoldPrescriber,
    private readonly holdsKept: HoldsRepository,
    private readonly squeezes: SqueezeRepository,
    private readonly clock: Clock,
  ) {}

  /** Asserts that the session is the club's. */
  async known(clubId: string, sessionId: string): Promise<void> {
    if (!(await this.training.session(clubId, sessionId))) throw notFound('session');
  }

  /** The session with everything its calls rest on, so that a floor can call it again without a network. */
  async floor(clubId: string, sessionId: string): Promise<FloorView> {
    const facts = await this.factsOf(clubId, sessionId);
    const { profile, session } = facts;
    const { curve: _curve, ...context } = this.contextOf(facts);
    const tests = (await this.squeezes.tests(session.lifterId)).filter((test) => test.trials.length > 0);
    const [latest] = tests;
    const today = tests.find((test) => test.testedOn === session.heldOn);
    return {
      squeeze: {
        protocolId: latest?.protocolId ?? null,
        protocol: latest?.protocol ?? WORKING_PROTOCOL,
        earlier: tests.filter((test) => test.testedOn < session.heldOn).map(asTest),
        today: today ? asTest(today) : null,
      },
      calls: await this.viewOf(clubId, facts),
      finished: session.finished,
      hands: profile.hands,
      handsOn: profile.handsOn,
      equipment: facts.kit.equipment as FloorView['equipment'],
      underWay: {
        session: context,
        referenceLoad: REFERENCE_SHARE_OF_DEADLIFT * profile.lifter.deadliftMax,
        observations: facts.observations
          .filter((each) => each.sessionId !== sessionId)
          .map(({ sessionId: _session, source: _source, ...observation }) => observation),
      },
    };
  }

  /** The session as it is called now: every set with its reasons, the hold, and what is logged. */
  async session(clubId: string, sessionId: string): Promise<CallsView> {
    return this.viewOf(clubId, await this.factsOf(clubId, sessionId));
  }

  private async factsOf(clubId: string, sessionId: string): Promise<SessionFacts> {
    const session = await this.training.session(clubId, sessionId);
    if (!session) throw notFound('session');
    return this.facts(clubId, session);
  }

  private async viewOf(clubId: string, facts: SessionFacts): Promise<CallsView> {
    const { session } = facts;
    const [setsDone, holdsDone, venues] = await Promise.all([
      this.log.setsOf(session.id),
      this.log.holdsOf(session.id),
      this.kit.venues(clubId),
    ]);
    const calls = this.callAll(facts);
    const faults = new Map(faultsOf(facts.sets, facts.kit).map((fault) => [fault.set, fault]));
    const done = new Map(setsDone.map((row) => [row.plannedSetId, row]));
    const holds = session.hasHold ? await this.holds(facts, holdsDone) : NO_HOLD;
    return {
      session: headOf(facts, venues),
      sets: facts.sets.map((set, i) => ({
        ...calledSet(set, calls[i]!, facts.kit.equipment, done.get(set.id)),
        ...overridesOf(set, facts.overrides),
        fault: faults.get(i) ?? null,
      })),
      ...holds,
      holdsDone: holdsDone.map(loggedHold),
      evidence: facts.curve.evidence,
    };
  }

  /** Holds the session elsewhere, with another bar or on another day, if the page that asks saw its latest version. */
  async move(clubId: string, sessionId: string, body: MoveSessionRequest): Promise<CallsView> {
    const session = await this.training.session(clubId, sessionId);
    if (!session) throw notFound('session');
    const { venueId = session.venueId, heldOn = session.heldOn, version } = body;
    // A bar belongs to its venue: moved without a word about the bar, the session takes the first one there.
    const barId = body.barId ?? (venueId === session.venueId ? session.barId : null);
    if (!(await this.kit.kit(clubId, venueId, barId))) throw notFound(body.barId ? 'bar' : 'venue');
    const stays = session.venueId === venueId && session.barId === barId && session.heldOn === heldOn;
    if (!stays && (await this.training.started(sessionId)) && heldOn !== session.heldOn)
      throw new Problem(
        409,
        'session-started',
        'Something of this session is already logged, so its day is history now. Copy it to another day.',
      );
    if (
      !stays &&
      !(await this.training.change([{ ...session, version }], () => ({ venueId, barId, heldOn })))
    ) {
      throw changedMeanwhile('session');
    }
    return this.session(clubId, sessionId);
  }

  /**
   * Keeps a coach's decision against the call. Where a safety, event, venue or lift rule bars it, nothing is kept and the
   * rule is named. Sent again under the same id it changes nothing.
   */
  async override(
    clubId: string,
    accountId: string,
    sessionId: string,
    id: string,
    body: OverrideRequest,
  ): Promise<CallsView> {
    const facts = await this.factsOf(clubId, sessionId);
    const setIds = [...body.plannedSetIds].sort();
    if (setIds.some((setId) => !facts.sets.some((set) => set.id === setId))) throw notFound('set');
    const sideUnder = body.choice === 'mixed' ? (body.sideUnder ?? null) : null;
    const { choice, reason } = body;
    const wanted: KnownOverride = {
      ...{ id, choice, sideUnder, reason, setIds, by: 'The coach', at: '', undoneBy: null, undoneAt: null },
    };
    const refused = this.callAll({ ...facts, overrides: [wanted] }).find((call) => call.overrideRefused);
    if (refused) throw new Problem(409, 'override-refused', refused.overrideRefused!.text);
    const stored = await this.overrides.keep(
      {
        id,
        sessionId,
        choice,
        sideUnder,
        reason,
        madeBy: accountId,
        madeAt: this.clock.now(),
        undoneBy: null,
        undoneAt: null,
      },
      setIds,
    );
    const same =
      stored.row.sessionId === sessionId &&
      stored.row.choice === choice &&
      stored.row.sideUnder === sideUnder &&
      stored.row.reason === reason &&
      stored.setIds.sort().join() === setIds.join();
    if (!same)
      throw new Problem(
        409,
        'decided-differently',
        'Something else is already decided under this entry. The first decision was kept; reload to see it.',
      );
    return this.session(clubId, sessionId);
  }

  /** Takes a decision back; it stays on record with who undid it and when. */
  async undoOverride(clubId: string, accountId: string, sessionId: string, id: string): Promise<CallsView> {
    const session = await this.training.session(clubId, sessionId);
    if (!session) throw notFound('session');
    if (!(await this.overrides.undo(sessionId, id, accountId, this.clock.now()))) throw notFound('decision');
    return this.session(clubId, sessionId);
  }

  /** The session under other circumstances, beside the real calls; nothing is saved. */
  async whatIf(clubId: string, sessionId: string, body: WhatIfRequest): Promise<WhatIfView> {
    const facts = await this.factsOf(clubId, sessionId);
    const kit = body.venueId ? await this.kit.kit(clubId, body.venueId) : null;
    if (body.venueId && !kit) throw notFound('venue');
    const meet = body.meetRules ? facts.profile.nextMeet : null;
    if (body.meetRules && !meet)
      throw new Problem(409, 'no-meet', 'No meet is planned for this lifter, so there are no rules to try.');
    const hands =
      body.hands && handsOn([{ on: facts.session.heldOn, hands: body.hands }], facts.session.heldOn).hands;
    const real = this.callAll(facts);
    const other = this.callAll(facts, {
      ...(kit && { kit }),
      ...(body.chalk && { chalk: body.chalk }),
      ...(body.barDiameter && { barDiameter: body.barDiameter }),
      ...(meet && {
        event: {
          name: meet.name,
          straps: meet.straps,
          thumbTape: meet.thumbTape,
          liquidChalk: meet.liquidChalk,
        },
      }),
      ...(hands && { lifter: { hands } }),
    });
    return {
      tried: tried(body, kit?.venue.name, meet?.name),
      sets: facts.sets.map((set, i) => triedSet(set.id, real[i]!, other[i]!)),
    };
  }

  /** Which calls of the lifter's next session differ between hands as they were and as they are. */
  async changedByHands(
    clubId: string,
    lifterId: string,
    before: CallLifter['hands'],
  ): Promise<HandsCheckView['changed']> {
    const profile = await this.lifters.profile(clubId, lifterId);
    const session = await this.training.nextSession(lifterId, this.clock.today());
    if (!session) return [];
    const facts = await this.facts(clubId, session, profile);
    const was = this.callAll(facts, { lifter: { hands: before } });
    const is = this.callAll(facts);
    return facts.sets.flatMap((set, i) => {
      if (sameCall(was[i]!, is[i]!)) return [];
      const { name } = liftOf(set);
      return [
        { liftName: name, role: set.role, load: set.load, before: sayCall(was[i]!), after: sayCall(is[i]!) },
      ];
    });
  }

  /** The lifter's clasp curve with the points behind it and what the next session asks. */
  async curve(clubId: string, lifterId: string): Promise<CurveView> {
    const profile = await this.lifters.profile(clubId, lifterId);
    const session = await this.training.nextSession(lifterId, this.clock.today());
    if (!session) {
      const observations = await this.curves.observations(lifterId);
      const curve = this.curves.fit(profile.lifter, observations);
      return this.curveView(curve, observations, attemptsOf(profile, [], []));
    }
    const facts = await this.facts(clubId, session, profile);
    const calls = this.callAll(facts);
    const { hold } = session.hasHold ? await this.holds(facts, []) : NO_HOLD;
    const demands = [...demandsOf(facts.sets, calls, hold), ...attemptsOf(profile, facts.sets, calls)];
    return this.curveView(facts.curve, facts.observations, demands);
  }

  private curveView(
    curve: HoldCurve,
    observations: readonly LoggedObservation[],
    demands: CurveView['demands'],
  ): CurveView {
    return {
      curve,
      points: this.curves.points(curve, observations),
      readOuts: this.curves.readOuts(curve),
      demands,
    };
  }

  private async facts(
    clubId: string,
    session: TrainingSession,
    known?: LifterProfile,
  ): Promise<SessionFacts> {
    const [profile, kit, sets, observations, mixedSets, overrides, copies, slippedToday] = await Promise.all([
      known ?? this.lifters.profile(clubId, session.lifterId),
      this.kit.kit(clubId, session.venueId, session.barId),
      this.training.plannedSets(session.id),
      this.curves.observations(session.lifterId),
      this.log.mixedSets(session.lifterId, this.clock.today()),
      this.overrides.ofSession(session.id),
      this.schools.inUse(clubId),
      this.log.slipsOf(session.id),
    ]);
    if (!kit) throw notFound('venue');
    return {
      session,
      profile,
      kit,
      sets,
      observations,
      curve: this.curves.fit(profile.lifter, observations),
      ledger: mixedLedger(mixedSets),
      overrides,
      schools: [...SCHOOLS, ...copies],
      slippedToday,
    };
  }

  /** Calls every set, as things are or under other circumstances; overrides are followed where nothing bars them. */
  private callAll(facts: SessionFacts, other: Circumstances = {}): SetCall[] {
    return callSession(this.contextOf(facts, other));
  }

  private contextOf(facts: SessionFacts, other: Circumstances = {}): SessionContext {
    const { profile, curve, sets, ledger } = facts;
    const venue = venueOf(other.kit ?? facts.kit);
    return {
      lifter: {
        ...this.lifters.forCalls(profile),
        slippedToday: facts.slippedToday,
        ...other.lifter,
      },
      school: profile.school,
      schools: facts.schools,
      venue: {
        ...venue,
        ...(other.chalk && { chalk: other.chalk }),
        ...(other.barDiameter && { barDiameter: other.barDiameter }),
      },
      ...(other.event && { event: other.event }),
      curve,
      ledger,
      sets: sets.map((set) => ({
        lift: liftOf(set),
        // On the day of the meet a top set is an attempt.
        role: other.event && set.role === 'top' ? 'attempt' : set.role,
        load: set.load,
        reps: set.reps,
        style: set.style,
        ...(set.seconds && { seconds: set.seconds }),
        ...overrideFor(set, facts.overrides),
      })),
    };
  }

  /**
   * Today's hold as it stood before anything was logged today, so that it does not move under the lifter's hands,
   * and the next one with today's results in; made easier where the day's squeeze test asks, and as the coach decided.
   */
  private async holds(facts: SessionFacts, doneToday: readonly LoggedHold[]): Promise<SessionHolds> {
    const { session, profile, kit, curve, observations, ledger } = facts;
    const [decisions, tests] = await Promise.all([
      this.holdsKept.decisions([session.id]),
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
    const base = { kind, on: session.heldOn, profile, kit, ledger };
    const todays = { ...base, curve: todaysCurve, without: session.id, decision };
    const full = await this.prescriber.prescribe(todays);
    const easing = latest?.test.easingDeclined ? undefined : proposed;
    const hold = easing ? await this.prescriber.prescribe({ ...todays, easing }) : full;
    return {
      hold,
      nextHold:
        doneToday.length === 0
          ? null
          : await this.prescriber.prescribe({ ...base, curve, without: null, decision: null }),
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

/** What a session's hold is, and why. */
type SessionHolds = Pick<CallsView, 'hold' | 'nextHold' | 'holdDecision' | 'easing'>;
const NO_HOLD: SessionHolds = { hold: null, nextHold: null, holdDecision: null, easing: null };
