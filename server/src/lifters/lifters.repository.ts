import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { SOUND_HAND, type HandsToday, type HistoryKind, type School } from '@iron-clasp/core';
import type {
  ArchivedLifter,
  KnownHistory,
  LifterChangeView,
  SeasonMark,
  SeasonSession,
  TodayView,
} from '@iron-clasp/contract';
import { insertNew } from '../database/insert-new.ts';
import { DataSource, IsNull, MoreThanOrEqual } from 'typeorm';
import type { PageKey } from '../http/paging.ts';
import { joinBareFortnights, NOT_GRIPPED, type BareFortnights } from '../log/bare-fortnights.ts';
import { SchoolsRepository } from '../schools/schools.repository.ts';
import { HandsCheck, Lifter, LifterChange, LifterHistory, Meet, SeasonMarkRow } from './lifter.entity.ts';

/** A lifter with everything a call has to know about the person. */
export interface LifterProfile {
  readonly lifter: Lifter;
  /** The school the lifter follows: of the practice book, or the club's own copy. */
  readonly school: School;
  readonly history: readonly KnownHistory[];
  readonly hands: HandsToday;
  readonly handsOn: string | null;
  readonly nextMeet: Meet | null;
}

export interface RackFacts extends BareFortnights {
  readonly id: string;
  readonly name: string;
  readonly sport: string;
  readonly hands: HandsToday | null;
  /** Conditions of the history that nobody has cleared. */
  readonly uncleared: readonly HistoryKind[];
  readonly session: { readonly id: string; readonly on: string; readonly title: string } | null;
  readonly meet: { readonly name: string; readonly on: string } | null;
}

/** Hands that nobody has checked yet count as sound. */
export const UNCHECKED_HANDS: HandsToday = { left: SOUND_HAND, right: SOUND_HAND };

@Injectable()
export class LiftersRepository {
  constructor(
    private readonly db: DataSource,
    private readonly schools: SchoolsRepository,
  ) {}

  /** The lifter with this id in this club, or null: a lifter of another club is not there. */
  async profile(clubId: string, id: string, today: string): Promise<LifterProfile | null> {
    const lifter = await this.db.getRepository(Lifter).findOneBy({ id, clubId });
    if (!lifter) return null;
    const [history, check, nextMeet, school] = await Promise.all([
      this.db.getRepository(LifterHistory).find({ where: { lifterId: id }, order: { kind: 'ASC' } }),
      this.db.getRepository(HandsCheck).findOne({ where: { lifterId: id }, order: { checkedAt: 'DESC' } }),
      this.nextMeet(id, today),
      this.schools.followed(lifter),
    ]);
    return {
      lifter,
      school,
      history: history.map(({ kind, side, since, cleared }) => ({
        kind,
        cleared,
        ...(side && { side }),
        ...(since && { since }),
      })),
      hands: check?.hands ?? UNCHECKED_HANDS,
      handsOn: check?.checkedOn ?? null,
      nextMeet,
    };
  }

  /** The club's archived lifters by name, those after the key. */
  async archived(clubId: string, after: PageKey | null, limit: number): Promise<ArchivedLifter[]> {
    return this.db.query(
      `SELECT id, name, sport, version, archived_at AS "archivedAt" FROM lifter
        WHERE club_id = $1 AND archived_at IS NOT NULL AND ($2::text IS NULL OR (name, id) > ($2, $3::uuid))
        ORDER BY name, id LIMIT $4`,
      [clubId, after?.value ?? null, after?.id ?? null, limit],
    );
  }

  /** What was changed about a lifter, the latest first, those before the key. */
  async changes(lifterId: string, before: PageKey | null, limit: number): Promise<LifterChangeView[]> {
    return this.db.query(
      `SELECT c.id, c.field, c.before, c.after, a.name AS by, c.changed_at AS at
         FROM lifter_change c JOIN account a ON a.id = c.changed_by
        WHERE c.lifter_id = $1 AND ($2::timestamptz IS NULL OR (c.changed_at, c.id) < ($2, $3::uuid))
        ORDER BY c.changed_at DESC, c.id DESC LIMIT $4`,
      [lifterId, before?.value ?? null, before?.id ?? null, limit],
    );
  }

  /** The venue of most of the lifter's sessions of the last quarter and the coming weeks. */
  async usualVenue(lifterId: string, today: string): Promise<string | null> {
    const rows: { venue_id: string }[] = await this.db.query(
      `SELECT t.venue_id FROM training_session t JOIN venue v ON v.id = t.venue_id AND v.archived_at IS NULL
        WHERE t.lifter_id = $1 AND t.held_on > $2::date - 90 AND t.removed_at IS NULL
        GROUP BY t.venue_id ORDER BY count(*) DESC, t.venue_id LIMIT 1`,
      [lifterId, today],
    );
    return rows[0]?.venue_id ?? null;
  }

  /**
   * Writes a lifter, new or at the version that the editor saw, with its history and what changed; false where somebody
   * was faster or the id belongs to somebody else.
   */
  async save(
    lifter: Lifter,
    history: readonly KnownHistory[],
    changes: readonly LifterChange[],
  ): Promise<boolean> {
    return this.db.transaction(async (manager) => {
      if (lifter.version === 1) {
        if (!(await insertNew(manager, Lifter, lifter))) return false;
      } else {
        const { id, clubId, version } = lifter;
        const updated = await manager.update(Lifter, { id, clubId, version: version - 1 }, lifter);
        if (updated.affected !== 1) return false;
      }
      await manager.delete(LifterHistory, { lifterId: lifter.id });
      if (history.length)
        await manager.insert(
          LifterHistory,
          history.map((flag) => ({
            id: randomUUID(),
            lifterId: lifter.id,
            kind: flag.kind,
            side: flag.side ?? null,
            since: flag.since ?? null,
            cleared: flag.cleared,
          })),
        );
      if (changes.length) await manager.insert(LifterChange, [...changes]);
      return true;
    });
  }

  /** The lifter's meets from the day on, the nearest first. */
  async meets(lifterId: string, today: string): Promise<Meet[]> {
    return this.db.getRepository(Meet).find({
      where: { lifterId, removedAt: IsNull(), heldOn: MoreThanOrEqual(today) },
      order: { heldOn: 'ASC' },
      take: 20,
    });
  }

  async meet(lifterId: string, id: string): Promise<Meet | null> {
    return this.db.getRepository(Meet).findOneBy({ id, lifterId });
  }

  /** Writes a meet, new or at the version its editor saw; false where somebody was faster. */
  async saveMeet(meet: Meet): Promise<boolean> {
    if (meet.version === 1) return insertNew(this.db.manager, Meet, meet);
    const { id, lifterId, version } = meet;
    const updated = await this.db.getRepository(Meet).update({ id, lifterId, version: version - 1 }, meet);
    return updated.affected === 1;
  }

  /** The next meet on or after the day. */
  private async nextMeet(lifterId: string, today: string): Promise<Meet | null> {
    return this.db
      .getRepository(Meet)
      .createQueryBuilder('meet')
      .where('meet.lifterId = :lifterId AND meet.heldOn >= :today AND meet.removedAt IS NULL', {
        lifterId,
        today,
      })
      .orderBy('meet.heldOn')
      .getOne();
  }

  /** One row a lifter for the rack, in one query. */
  async rack(clubId: string, today: string, find: string): Promise<RackFacts[]> {
    return this.db.query(
      `SELECT l.id, l.name, l.sport,
              (SELECT h.hands FROM hands_check h WHERE h.lifter_id = l.id ORDER BY h.checked_at DESC LIMIT 1) AS hands,
              coalesce((SELECT json_agg(y.kind ORDER BY y.kind) FROM lifter_history y WHERE y.lifter_id = l.id AND NOT y.cleared), '[]') AS uncleared,
              bare.*,
              (SELECT json_build_object('id', t.id, 'on', t.held_on, 'title', t.title) FROM training_session t
                WHERE t.lifter_id = l.id AND t.held_on >= $2::date AND NOT t.finished AND t.removed_at IS NULL ORDER BY t.held_on LIMIT 1) AS session,
              (SELECT json_build_object('name', m.name, 'on', m.held_on) FROM meet m
                WHERE m.lifter_id = l.id AND m.held_on >= $2::date AND m.removed_at IS NULL ORDER BY m.held_on LIMIT 1) AS meet
         FROM lifter l ${joinBareFortnights('$4')}
        WHERE l.club_id = $1 AND l.archived_at IS NULL AND ($3 = '' OR strpos(lower(l.name), $3) > 0)
        ORDER BY l.name, l.id`,
      [clubId, today, find.trim().toLowerCase(), NOT_GRIPPED],
    );
  }

  /** Sessions of the day of lifters on the rack, by name. */
  async sessionsOn(clubId: string, day: string): Promise<TodayView['sessions']> {
    return this.db.query(
      `SELECT t.id, l.id AS "lifterId", l.name AS "lifterName", t.title, v.name AS venue
         FROM training_session t JOIN lifter l ON l.id = t.lifter_id AND l.club_id = $1 AND l.archived_at IS NULL
         JOIN venue v ON v.id = t.venue_id
        WHERE t.held_on = $2 AND t.removed_at IS NULL ORDER BY l.name, t.id LIMIT 200`,
      [clubId, day],
    );
  }

  async seasonMarks(lifterId: string, from: string, to: string): Promise<SeasonMark[]> {
    const marks = await this.db
      .getRepository(SeasonMarkRow)
      .createQueryBuilder('mark')
      .where(
        'mark.lifterId = :lifterId AND mark.removedAt IS NULL AND mark.endsOn >= :from AND mark.startsOn <= :to',
        {
          lifterId,
          from,
          to,
        },
      )
      .orderBy('mark.startsOn')
      .getMany();
    return marks.map(({ id, kind, label, startsOn, endsOn }) => ({
      id,
      kind,
      label,
      from: startsOn,
      to: endsOn,
    }));
  }

  async seasonSessions(lifterId: string, from: string, to: string): Promise<SeasonSession[]> {
    return this.db.query(
      `SELECT t.id, t.version, t.held_on::text AS "on", t.title, t.finished AS done, count(h.id)::int AS holds
         FROM training_session t LEFT JOIN logged_hold h ON h.session_id = t.id AND h.undone_at IS NULL
        WHERE t.lifter_id = $1 AND t.held_on BETWEEN $2 AND $3 AND t.removed_at IS NULL
        GROUP BY t.id ORDER BY t.held_on`,
      [lifterId, from, to],
    );
  }
}
