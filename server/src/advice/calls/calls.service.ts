import { Injectable } from '@nestjs/common';
import {
  callSession,
  handsOn,
  maxOfLift,
  sameCall,
  sayCall,
  type CallLifter,
  type CallOverride,
  type EventRules,
  type HoldCurve,
  type HoldRequest,
  type SessionContext,
  type SetCall,
  type SetToCall,
} from '@iron-clasp/core';
import type { HandsCheckView, TriedSet, WhatIfRequest, WhatIfView } from '@iron-clasp/contract';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { notFound, Problem } from '../../platform/http/problem.ts';
import { OnceFor } from '../../platform/memory/once-for.ts';
import type { KnownOverride } from '../../records/call-overrides/call-overrides.service.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import { KitService, type VenueKit } from '../../records/kit/kit.service.ts';
import type { PlannedSet } from '../../records/training/training.entity.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { CurvesService } from '../../evidence/curves/curves.service.ts';
import { forCalls } from '../../evidence/lifter-today/for-calls.ts';
import type { LifterProfile } from '../../evidence/lifter-today/lifter-today.service.ts';
import { eventBar, eventOf, roleUnder, rulesOf } from '../../evidence/session/event-of.ts';
import { SessionFactsService, type SessionFacts } from '../../evidence/session/session-facts.service.ts';
import { liftOf, sameWork, termsOf, venueOf } from '../../evidence/session/session-parts.ts';
import { loadOn } from './load-on.ts';
import { tried } from './what-if.ts';

/** Circumstances that replace the session's own for once. */
export interface Circumstances {
  readonly kit?: VenueKit;
  readonly chalk?: HoldRequest['venue']['chalk'];
  readonly barDiameter?: number;
  readonly event?: EventRules;
  readonly curve?: HoldCurve;
  readonly lifter?: Partial<CallLifter>;
}

/** Grip, straps and chalk for each set of a session, as things are or under other circumstances. */
@Injectable()
export class CallsService {
  readonly #called = new OnceFor<SessionFacts, readonly SetCall[]>();

  constructor(
    private readonly facts: SessionFactsService,
    private readonly training: TrainingService,
    private readonly kit: KitService,
    private readonly curves: CurvesService,
  ) {}

  /** Calls every set; overrides are followed where nothing bars them. Things as they are are called once for the same facts. */
  callAll(facts: SessionFacts, other: Circumstances = {}): readonly SetCall[] {
    if (Object.keys(other).length > 0) return callSession(this.contextOf(facts, other));
    return this.#called.of(facts, () => callSession(this.contextOf(facts)));
  }

  /** The session as the engine takes it. */
  contextOf(facts: SessionFacts, other: Circumstances = {}): SessionContext {
    const { profile, curve, sets, ledger, session } = facts;
    const event = other.event ?? eventOf(session, profile.nextMeet);
    const venue = venueOf(other.kit ?? facts.kit);
    return {
      lifter: { ...forCalls(profile), ...facts.week, slippedToday: facts.slippedToday, ...other.lifter },
      school: profile.school,
      schools: facts.schools,
      venue: {
        ...venue,
        ...(other.chalk && { chalk: other.chalk }),
        ...(other.barDiameter && { barDiameter: other.barDiameter }),
      },
      ...(event && { event }),
      sweat: session.sweat,
      curve: other.curve ?? curve,
      ledger,
      sets: sets.map((set, i) => ({
        lift: liftOf(set),
        role: roleUnder(event, set.role),
        load: set.load,
        reps: set.reps,
        style: set.style,
        ...maxFor(set, profile.lifter),
        ...saidByLine(set),
        ...eventFor(set, facts, other),
        ...barFor(set, facts, other),
        lastOfLine: isLastOfLine(sets, i),
        ...(profile.lifter.bodyMass !== null && { bodyMass: profile.lifter.bodyMass }),
        ...(set.seconds && { seconds: set.seconds }),
        ...overrideFor(set, facts.overrides),
      })),
    };
  }

  /** The calls as they stood before anything of the session was done: what was expected, not what is known since. */
  before(facts: SessionFacts): readonly SetCall[] {
    const earlier = facts.observations.filter((each) => each.sessionId !== facts.session.id);
    const curve = this.curves.fitPart(facts.profile.lifter, earlier);
    return this.callAll(facts, { curve, lifter: { slippedToday: [] } });
  }

  /** The session under other circumstances, beside the real calls; nothing is saved. */
  async whatIf(club: ClubRef, sessionId: string, body: WhatIfRequest): Promise<WhatIfView> {
    const facts = await this.facts.of(club, sessionId);
    const kit = body.venueId ? await this.kit.at(club.id, body.venueId) : null;
    if (body.venueId && !kit) throw notFound('venue');
    const meet = body.meetRules ? facts.profile.nextMeet : null;
    if (body.meetRules && !meet)
      throw new Problem(409, 'no-meet', 'No meet is planned for this lifter, so there are no rules to try.');
    const { heldOn } = facts.session;
    const hands = body.hands && handsOn([{ on: heldOn, hands: body.hands }], heldOn).hands;
    const real = this.callAll(facts);
    const other = this.callAll(facts, {
      ...(kit && { kit }),
      ...(body.chalk && { chalk: body.chalk }),
      ...(body.barDiameter && { barDiameter: body.barDiameter }),
      ...(meet && { event: rulesOf(meet) }),
      ...(hands && { lifter: { hands } }),
    });
    return {
      tried: tried(body, kit?.venue.name, meet?.name),
      sets: facts.sets.map((set, i) => triedSet(set.id, real[i]!, other[i]!)),
    };
  }

  /** Which calls of the lifter's next session differ between hands as they were and as they are. */
  async changedByHands(
    club: ClubRef,
    profile: LifterProfile,
    before: CallLifter['hands'],
  ): Promise<HandsCheckView['changed']> {
    const session = await this.training.next(profile.lifter.id, profile.today);
    if (!session) return [];
    const facts = await this.facts.ofSession(club, session);
    const was = this.callAll(facts, { lifter: { hands: before } });
    const is = this.callAll(facts);
    return facts.sets.flatMap((set, i) => {
      if (sameCall(was[i]!, is[i]!)) return [];
      const { total } = loadOn(set, facts.kit.equipment);
      const said = { before: sayCall(was[i]!), after: sayCall(is[i]!) };
      return [{ liftName: liftOf(set).name, role: set.role, load: total, ...said }];
    });
  }
}

/** What the line of a set says that its call looks at: the rest is the floor's. */
function saidByLine(set: PlannedSet): Partial<SetToCall> {
  const { rest: _rest, ...terms } = termsOf(set);
  return terms;
}

/** Is the set the last of several alike? */
function isLastOfLine(sets: readonly PlannedSet[], at: number): boolean {
  return sameWork(sets[at - 1], sets[at]) && !sameWork(sets[at], sets[at + 1]);
}

/** The best that the set's load is a share of, where one is known. */
function maxFor(set: PlannedSet, { deadliftMax, bestLifts }: Lifter): { max?: number } {
  const found = maxOfLift(set.liftId, { deadliftMax, bests: bestLifts });
  return found ? { max: found.max } : {};
}

/** The rules of an event of its own, where the meet holds the set's lift as one. */
function eventFor(
  { liftId }: PlannedSet,
  { session, profile: { nextMeet } }: SessionFacts,
  other: Circumstances,
): { event?: EventRules } {
  if (!nextMeet?.events.some((each) => each.liftId === liftId)) return {};
  const event = other.event ? rulesOf(nextMeet, liftId) : eventOf(session, nextMeet, liftId);
  return event ? { event } : {};
}

/** The bar of an event of its own on its day, unless another bar or place is tried. */
function barFor(
  set: PlannedSet,
  { session, profile: { nextMeet } }: SessionFacts,
  { kit, barDiameter }: Circumstances,
): { diameter?: number } {
  const diameter = kit || barDiameter ? undefined : eventBar(session, nextMeet, set);
  return diameter === undefined ? {} : { diameter };
}

/** The decision that is in force for a set, as the engine takes it. */
function overrideFor(set: PlannedSet, overrides: readonly KnownOverride[]): { override?: CallOverride } {
  const found = overrides.find((each) => !each.undoneAt && each.setIds.includes(set.id));
  if (!found) return {};
  const { choice, sideUnder, reason, by } = found;
  return { override: { choice, reason, by, ...(sideUnder && { sideUnder }) } };
}

function triedSet(id: string, real: SetCall, other: SetCall): TriedSet {
  const { choice, probability, verdict, reasons } = other;
  const known = new Set(real.reasons.map((reason) => reason.text));
  const why = reasons.find((reason) => !known.has(reason.text)) ?? reasons[0];
  return {
    ...{ id, line: sayCall(other), choice, probability, verdict },
    changed: !sameCall(real, other),
    why: why?.text ?? '',
  };
}
