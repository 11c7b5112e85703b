import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import {
  auditFindings,
  GRIPS,
  MOST_SLIP,
  nextAuditStep,
  stopToday,
  type AuditQuestion,
  type AuditStep,
  type Grip,
} from '@iron-clasp/core';
import type { AuditFinding } from '@iron-clasp/contract';
import { DataSource } from 'typeorm';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { Problem } from '../../platform/http/problem.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import { NO_TERMS } from '../../records/training/no-terms.ts';
import type { PlannedSet } from '../../records/training/training.entity.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { fitOptions } from '../../evidence/curves/curves.service.ts';
import { LifterTodayService } from '../../evidence/lifter-today/lifter-today.service.ts';
import { SessionFactsService, type SessionFacts } from '../../evidence/session/session-facts.service.ts';
import { CallsService } from '../calls/calls.service.ts';

/** Most chance of a slip for a lifter who must not strain. */
const EASY_SLIP = 0.05;
/** A load that any hand holds, kg: whether a grip is barred does not hang on it. */
const LIGHT = 20;

/** Grip audits: submaximal holds and sets, each chosen by how much doubt it removes, that end in first calls. */
@Injectable()
export class AuditsService {
  constructor(
    private readonly db: DataSource,
    private readonly training: TrainingService,
    private readonly lifters: LifterTodayService,
    private readonly facts: SessionFactsService,
    private readonly calls: CallsService,
    private readonly kit: KitService,
  ) {}

  /** Begins an audit today, under a client-made id; its first step is written. Sent again it is the same audit. */
  async start(club: ClubRef, lifterId: string, id: string): Promise<void> {
    const { today, hands, lifter } = await this.lifters.profile(club, lifterId);
    const stop = stopToday(hands);
    if (stop) throw new Problem(409, 'stopped', stop);
    const known = await this.training.find(club.id, id);
    if (known?.lifterId === lifter.id && known.audit) return this.goOn(club, id);
    const venueId = (await this.lifters.usualVenue(club, lifterId)) ?? (await this.busiestVenue(club));
    if (!venueId)
      throw new Problem(409, 'no-venue', 'The club has no venue yet. Write one under Kit, then audit.');
    await this.training.save(
      this.db.manager,
      { clubId: club.id, lifterId },
      id,
      0,
      {
        ...{ venueId, barId: null, heldOn: today, title: 'Grip audit', holds: [], lines: null },
        rehearsesMeet: false,
      },
      [],
      { audit: true },
    );
    await this.goOn(club, id);
  }

  /** Where most of the club trains, for a lifter who has not trained yet; undefined where there is no bar anywhere. */
  private async busiestVenue(club: ClubRef): Promise<string | undefined> {
    const venues = await this.kit.whole(club.id);
    return venues.find(({ venue, kit }) => !venue.archivedAt && kit.bars.length > 0)?.venue.id;
  }

  /** Writes the next step of an audit whose steps are all done; of any other session nothing. */
  async goOn(club: ClubRef, sessionId: string): Promise<void> {
    const session = await this.training.find(club.id, sessionId);
    if (!session?.audit || session.finished) return;
    const facts = await this.facts.ofSession(club, session);
    const done = new Set(facts.setsDone.map((set) => set.plannedSetId));
    if (facts.sets.some((set) => !done.has(set.id))) return;
    const step = nextAuditStep(this.questionOf(facts));
    if (!step) return;
    // Two entries that came together ask for one next step, not two.
    await this.training.addSet(club.id, sessionId, randomUUID(), (sets) =>
      sets.length === facts.sets.length ? plannedStep(step) : null,
    );
  }

  /** What the hands hold in each grip, before the audit and with it; null for any other session. */
  findings(facts: SessionFacts): AuditFinding[] | null {
    if (!facts.session.audit) return null;
    const question = this.questionOf(facts);
    const before = facts.observations.filter((each) => each.sessionId !== facts.session.id);
    const was = auditFindings({ ...question, observations: before });
    return auditFindings(question).map(({ grip, tenSeconds }, i) => ({
      grip,
      before: was[i]!.tenSeconds,
      after: tenSeconds,
    }));
  }

  private questionOf(facts: SessionFacts): AuditQuestion {
    const { profile, kit, observations, sets } = facts;
    const { lifter } = profile;
    const pull = lifter.stance === 'sumo' ? 'deadlift.sumo' : 'deadlift.conventional';
    return {
      observations: observations.map(({ sessionId: _session, source: _source, ...each }) => each),
      fit: fitOptions(lifter),
      grips: this.permitted(facts, pull),
      kit: kit.equipment,
      ...{ chalk: kit.venue.chalk, diameter: kit.bar.diameter, pull, done: sets.length },
      rack: !kit.venue.has || kit.venue.has.includes('rack'),
      mostSlip: this.strains(facts, pull) ? EASY_SLIP : MOST_SLIP,
    };
  }

  /** Grips that nothing bars, whatever the load: tried on a light set of the pull. */
  private permitted(facts: SessionFacts, pull: string): Grip[] {
    const tried = GRIPS.map((grip) => lightSet(facts, pull, { fixed: grip, role: 'volume' }));
    const calls = this.calls.callAll({ ...facts, sets: tried, overrides: [] });
    return GRIPS.filter((grip, i) => calls[i]!.choice === grip);
  }

  /** Is a heavy single called off for this lifter, since straining is not cleared? */
  private strains(facts: SessionFacts, pull: string): boolean {
    const max = facts.profile.lifter.deadliftMax;
    const [call] = this.calls.callAll({
      ...facts,
      sets: [lightSet(facts, pull, { role: 'top', load: max })],
      overrides: [],
    });
    return call!.verdict === 'stop';
  }
}

function lightSet({ session }: SessionFacts, liftId: string, more: Partial<PlannedSet>): PlannedSet {
  return {
    ...{ id: randomUUID(), sessionId: session.id, place: 0, liftId, load: LIGHT, reps: 1, style: 'reset' },
    ...NO_TERMS,
    ...{ role: 'volume', seconds: null, purpose: 'grip' },
    ...more,
  };
}

function plannedStep(step: AuditStep): Omit<PlannedSet, 'id' | 'sessionId' | 'place'> {
  const { lift, grip, load, reps, seconds } = step;
  return {
    ...{ liftId: lift, role: 'volume', load, reps, style: 'reset', seconds: seconds ?? null },
    ...NO_TERMS,
    ...{ purpose: 'grip', fixed: grip, rest: 180 },
  };
}
