import { Injectable, type OnModuleInit } from '@nestjs/common';
import { DataSource, IsNull, type EntityManager } from 'typeorm';
import { Owners } from '../../platform/access/owners.ts';
import { insertMany, keepOnce } from '../../platform/database/saves.ts';
import { notFound } from '../../platform/http/problem.ts';
import { BroughtRows } from '../../platform/database/brought-rows.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { readMany } from '../../platform/database/read-many.ts';
import { GripperAttemptRow } from './gripper-attempt.entity.ts';

/** Attempts read at once. */
const MOST = 4000;

/** Tries at closing grippers; those taken back are hidden, not lost. */
@Injectable()
export class GripperAttemptsService implements OnModuleInit {
  /** Attempts that come from files. */
  readonly brought = new BroughtRows(GripperAttemptRow, 'undoneAt');

  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
    private readonly owners: Owners,
  ) {}

  onModuleInit(): void {
    this.owners.register('attempt', async (id) => {
      const attempt = await this.db.getRepository(GripperAttemptRow).findOneBy({ id });
      return attempt?.lifterId ?? null;
    });
    this.kept.register({ name: 'gripper_attempt', ...OWN });
  }

  /** The lifter's attempts since a day, the latest first. */
  since(lifterId: string, since: string): Promise<GripperAttemptRow[]> {
    return readMany(
      this.db,
      GripperAttemptRow,
      'lifter_id = $1 AND training_day > $2 AND undone_at IS NULL ORDER BY done_at DESC, id DESC LIMIT $3',
      [lifterId, since, MOST],
    );
  }

  /** Keeps an attempt, once. */
  async keep(row: GripperAttemptRow): Promise<void> {
    const { clubId, lifterId } = row;
    await keepOnce(this.db.manager, GripperAttemptRow, row, {
      owner: { clubId, lifterId },
      same: ['gripperId', 'hand', 'depth', 'closed', 'gapMm', 'seconds'],
      what: 'attempt',
    });
  }

  /** Takes an attempt back; repeated it changes nothing. */
  async undo(clubId: string, id: string, at: Date): Promise<void> {
    const attempts = this.db.getRepository(GripperAttemptRow);
    await attempts.update({ id, clubId, undoneAt: IsNull() }, { undoneAt: at });
    if (!(await attempts.existsBy({ id, clubId }))) throw notFound('attempt');
  }

  addMany(manager: EntityManager, attempts: readonly GripperAttemptRow[]): Promise<void> {
    return insertMany(manager, GripperAttemptRow, attempts);
  }
}
