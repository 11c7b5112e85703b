import { Injectable, type OnModuleInit } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { insertMany, keepOnce } from '../../platform/database/saves.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { together } from '../../platform/database/together.ts';
import { readMany } from '../../platform/database/read-many.ts';
import { HandsCheck } from './hands-check.entity.ts';

/** Checks read at once. */
const MOST = 60;

@Injectable()
export class HandsChecksService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    this.kept.register({ name: 'hands_check', ...OWN });
  }

  /** The lifter's checks, the latest first. */
  latest(lifterId: string): Promise<HandsCheck[]> {
    return this.db
      .getRepository(HandsCheck)
      .find({ where: { lifterId }, order: { checkedAt: 'DESC', id: 'ASC' }, take: MOST });
  }

  /** The latest check of each lifter who has one. */
  async latestOf(lifterIds: readonly string[]): Promise<Map<string, HandsCheck>> {
    return new Map((await this.last(lifterIds)).map((check) => [check.lifterId, check]));
  }

  /** The lifter's latest check, where there is one. */
  async latestOne(lifterId: string): Promise<HandsCheck | undefined> {
    return (await this.last([lifterId]))[0];
  }
  private readonly last = together(
    (lifterIds) =>
      readMany(
        this.db,
        HandsCheck,
        `id = ANY (SELECT DISTINCT ON (lifter_id) id FROM hands_check WHERE lifter_id = ANY($1)
                    ORDER BY lifter_id, checked_at DESC, id)`,
        [lifterIds],
      ),
    (check) => check.lifterId,
  );

  /** The checks of several lifters from a day on, the latest first. */
  since(lifterIds: readonly string[], day: string): Promise<HandsCheck[]> {
    return readMany(
      this.db,
      HandsCheck,
      'lifter_id = ANY($1) AND checked_on >= $2 ORDER BY checked_at DESC, id',
      [lifterIds, day],
    );
  }

  /** All checks of the club from an instant on, in order. */
  ofClub(clubId: string, from: Date): Promise<HandsCheck[]> {
    return this.db
      .getRepository(HandsCheck)
      .createQueryBuilder('check')
      .where('check.clubId = :clubId AND check.checkedAt >= :from', { clubId, from })
      .orderBy('check.lifterId')
      .addOrderBy('check.checkedAt')
      .getMany();
  }

  /** Keeps a check under its client-made id. */
  async keep(check: HandsCheck): Promise<void> {
    const { clubId, lifterId } = check;
    await keepOnce(this.db.manager, HandsCheck, check, {
      owner: { clubId, lifterId },
      same: ['hands'],
      what: 'hands check',
    });
  }

  addMany(manager: EntityManager, checks: readonly HandsCheck[]): Promise<void> {
    return insertMany(manager, HandsCheck, checks);
  }
}
