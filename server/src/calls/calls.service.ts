import { Injectable } from '@nestjs/common';
import {
  callSession,
  findLift,
  loadBar,
  mixedLedger,
  prescribeHold,
  sayCall,
  SET_ROLE_NAMES,
  type BarLoading,
  type HoldCurve,
  type HoldEquipment,
  type HoldPrescription,
  type HoldRequest,
  type Lift,
  type MixedLedger,
  type SetCall,
} from '@iron-clasp/core';
import type {
  CalledSet,
  CallsView,
  CurveView,
  LoggedHoldView,
  LoggedSetView,
  SessionHead,
} from '@iron-clasp/contract';
import { Clock } from '../clock.ts';
import { CurvesService } from '../curves/curves.service.ts';
import { notFound, Problem } from '../http/problem.ts';
import { KitRepository, type VenueKit } from '../kit/kit.repository.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { LifterProfile } from '../lifters/lifters.repository.ts';
import type { LoggedHold, LoggedSet } from '../log/log.entity.ts';
import { LogRepository, type LoggedObservation } from '../log/log.repository.ts';
import type { PlannedSet, TrainingSession } from '../training/training.entity.ts';
import { TrainingRepository } from '../training/training.repository.ts';

/** Everything one session's calls rest on. */
interface SessionFacts {
  readonly session: TrainingSession;
  readonly profile: LifterProfile;
  readonly kit: VenueKit;
  readonly sets: readonly PlannedSet[];
  readonly observations: readonly LoggedObservation[];
  readonly curve: HoldCurve;
  readonly ledger: MixedLedger;
}

@Injectable()
export class CallsService {
  constructor(
    private readonly training: TrainingRepository,
    private readonly lifters: LiftersService,
    private readonly kit: KitRepository,
    private readonly log: LogRepository,
    private readonly curves: CurvesService,
    private readonly clock: Clock,
  ) {}

  /** The session as it is called now: every set with its reasons, the hold, and what is logged. */
  async session(clubId: string, sessionId: string): Promise<CallsView> {
    const session = await this.training.session(clubId, sessionId);
    if (!session) throw notFound('session');
    const [facts, setsDone, holdsDone, venues] = await Promise.all([
      this.facts(clubId, session),
      this.log.setsOf(sessionId),
      this.log.holdsOf(sessionId),
      this.kit.venues(clubId),
    ]);
    const calls = this.callAll(facts);
    const done = new Map(setsDone.map((row) => [row.plannedSetId, row]));
    const holds = session.hasHold ? await this.holds(facts, holdsDone) : { hold: null, nextHold: null };
    return {
      session: headOf(facts, venues),
      sets: facts.sets.map((set, i) => calledSet(set, calls[i]!, facts.kit.equipment, done.get(set.id))),
      ...holds,
      holdsDone: holdsDone.map(loggedHold),
      evidence: facts.curve.evidence,
    };
  }

  /** Holds the session in another venue, if the page that asks saw its latest version. */
  async move(clubId: string, sessionId: string, venueId: string, version: number): Promise<CallsView> {
    const session = await this.training.session(clubId, sessionId);
    if (!session) throw notFound('session');
    if (!(await this.kit.kit(clubId, venueId))) throw notFound('venue');
    if (session.venueId !== venueId && !(await this.training.move(sessionId, venueId, version))) {
      throw new Problem(
        409,
        'changed-meanwhile',
        'This session was changed since the page was opened. Reload to see it, then choose again.',
      );
    }
    return this.session(clubId, sessionId);
  }

  /** The lifter's clasp curve with the points behind it and what the next session asks. */
  async curve(clubId: string, lifterId: string): Promise<CurveView> {
    const profile = await this.lifters.profile(clubId, lifterId);
    const session = await this.training.nextSession(lifterId, this.clock.today());
    if (!session) {
      const observations = await this.curves.observations(lifterId);
      return this.curveView(this.curves.fit(profile.lifter, observations), observations, []);
    }
    const facts = await this.facts(clubId, session, profile);
    const calls = this.callAll(facts);
    const { hold } = session.hasHold ? await this.holds(facts, []) : { hold: null };
    return this.curveView(facts.curve, facts.observations, demandsOf(facts.sets, calls, hold));
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
    const [profile, kit, sets, observations, mixedSets] = await Promise.all([
      known ?? this.lifters.profile(clubId, session.lifterId),
      this.kit.kit(clubId, session.venueId),
      this.training.plannedSets(session.id),
      this.curves.observations(session.lifterId),
      this.log.mixedSets(session.lifterId, this.clock.today()),
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
    };
  }

  private callAll(facts: SessionFacts): SetCall[] {
    const { profile, curve, sets, ledger } = facts;
    return callSession({
      lifter: this.lifters.forCalls(profile),
      school: this.lifters.school(profile),
      venue: venueOf(facts.kit),
      curve,
      ledger,
      sets: sets.map((set) => ({
        lift: liftOf(set),
        role: set.role,
        load: set.load,
        reps: set.reps,
        style: set.style,
        ...(set.seconds && { seconds: set.seconds }),
      })),
    });
  }

  /**
   * Today's hold as it stood before anything was logged today, so that it does not move under the lifter's hands,
   * and the next one with today's results in.
   */
  private async holds(
    facts: SessionFacts,
    doneToday: readonly LoggedHold[],
  ): Promise<{ hold: HoldPrescription; nextHold: HoldPrescription | null }> {
    const { session, profile, curve, observations, ledger } = facts;
    const lifterId = profile.lifter.id;
    const before = observations.filter((each) => each.sessionId !== session.id);
    const base: Omit<HoldRequest, 'curve' | 'history'> = {
      kind: 'frontRackHold',
      school: this.lifters.school(profile),
      lifter: this.lifters.forCalls(profile),
      venue: venueOf(facts.kit),
      ledger,
      equipment: facts.kit.equipment,
    };
    const todaysCurve =
      before.length === observations.length ? curve : this.curves.fit(profile.lifter, before);
    const hold = prescribeHold({
      ...base,
      curve: todaysCurve,
      history: await this.log.holdHistory(lifterId, session.id),
    });
    if (doneToday.length === 0) return { hold, nextHold: null };
    return {
      hold,
      nextHold: prescribeHold({ ...base, curve, history: await this.log.holdHistory(lifterId, null) }),
    };
  }
}

function venueOf({ venue, bar }: VenueKit): HoldRequest['venue'] {
  return { name: venue.name, chalk: venue.chalk, barDiameter: bar.diameter };
}

function liftOf(set: PlannedSet): Lift {
  const lift = findLift(set.liftId);
  if (!lift) throw new Error(`Planned set ${set.id} names the unknown lift ${set.liftId}.`);
  return lift;
}

function headOf({ session, profile, kit }: SessionFacts, venues: SessionHead['venues']): SessionHead {
  const { id, name, chalk } = kit.venue;
  return {
    id: session.id,
    lifterId: profile.lifter.id,
    lifterName: profile.lifter.name,
    title: session.title,
    on: session.heldOn,
    version: session.version,
    venue: { id, name, chalk },
    bar: { name: kit.bar.name, mass: kit.bar.mass, diameter: kit.bar.diameter },
    venues: venues.map((each) => ({ id: each.id, name: each.name, chalk: each.chalk })),
  };
}

function calledSet(
  set: PlannedSet,
  call: SetCall,
  equipment: HoldEquipment,
  done: LoggedSet | undefined,
): CalledSet {
  const loading: BarLoading = loadBar({ target: set.load, ...equipment }).nearest;
  return {
    id: set.id,
    liftName: liftOf(set).name,
    role: set.role,
    planned: set.load,
    loading,
    reps: set.reps,
    seconds: set.seconds,
    line: sayCall(call),
    call,
    lighter:
      call.lighterLoad === undefined
        ? null
        : (loadBar({ target: call.lighterLoad, ...equipment }).atOrBelow?.total ?? null),
    done: done ? loggedSet(done) : null,
  };
}

function loggedSet({ id, load, reps, grip, strapped, slippedAtRep }: LoggedSet): LoggedSetView {
  return { id, load, reps, grip, strapped, slippedAtRep };
}

function loggedHold({ id, load, seconds, target, ended, grip, doneAt }: LoggedHold): LoggedHoldView {
  return { id, load, seconds, target, ended, grip, doneAt: doneAt.toISOString() };
}

/** What the session's heaviest bare-handed sets and its hold ask: one mark a lift and role. */
function demandsOf(
  sets: readonly PlannedSet[],
  calls: readonly SetCall[],
  hold: HoldPrescription | null,
): CurveView['demands'] {
  const heaviest = new Map<string, CurveView['demands'][number]>();
  sets.forEach((set, i) => {
    const { demand, grip, choice } = calls[i]!;
    if (!demand || !grip || choice === 'straps' || set.role === 'warmup') return;
    const label = `${liftOf(set).name}, ${SET_ROLE_NAMES[set.role]}`;
    const known = heaviest.get(label);
    if (!known || demand.load > known.load) heaviest.set(label, { label, ...demand, grip });
  });
  const marks = [...heaviest.values()];
  return hold && !hold.barred
    ? [...marks, { label: 'Front rack hold', load: hold.load, seconds: hold.seconds, grip: hold.grip }]
    : marks;
}
