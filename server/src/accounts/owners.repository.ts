import { Injectable } from '@nestjs/common';
import { isUUID } from 'class-validator';
import { DataSource } from 'typeorm';

/** Where it is written whose a thing is. */
const OWNER = {
  lifter: 'SELECT id AS lifter_id FROM lifter WHERE id = $1',
  session: 'SELECT lifter_id FROM training_session WHERE id = $1',
  set: 'SELECT lifter_id FROM logged_set WHERE id = $1',
  hold: 'SELECT lifter_id FROM logged_hold WHERE id = $1',
  test: 'SELECT lifter_id FROM squeeze_test WHERE id = $1',
  attempt: 'SELECT lifter_id FROM gripper_attempt WHERE id = $1',
} as const;

@Injectable()
export class OwnersRepository {
  constructor(private readonly db: DataSource) {}

  /** The lifter whose thing it is; null where there is none. */
  async ownerOf(thing: keyof typeof OWNER, id: string): Promise<string | null> {
    if (!isUUID(id)) return null;
    const rows: { lifter_id: string }[] = await this.db.query(OWNER[thing], [id]);
    return rows[0]?.lifter_id ?? null;
  }
}
