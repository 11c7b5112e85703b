import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { insertNew } from '../../platform/database/saves.ts';
import { Club } from './club.entity.ts';

@Injectable()
export class ClubsService {
  constructor(private readonly db: DataSource) {}

  /** The club with this id; it is there for as long as anybody belongs to it. */
  byId(id: string): Promise<Club> {
    return this.db.getRepository(Club).findOneByOrFail({ id });
  }

  /** Adds a club; false where the id is taken. */
  add(manager: EntityManager, club: Club): Promise<boolean> {
    return insertNew(manager, Club, club);
  }

  /** Is there any club yet? Whoever asks holds the table until the transaction ends, so that two do not both make the first. */
  async isEmpty(manager: EntityManager): Promise<boolean> {
    await manager.query('LOCK TABLE club IN SHARE ROW EXCLUSIVE MODE');
    return !(await manager.existsBy(Club, {}));
  }
}
