import { Injectable, type OnModuleInit } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import type { ClubRequest } from '@iron-clasp/contract';
import { KeptTables } from '../../platform/database/kept-tables.ts';
import { insertNew, saveVersion } from '../../platform/database/saves.ts';
import { readBy, readOne } from '../../platform/database/read-many.ts';
import { together } from '../../platform/database/together.ts';
import { withoutHurry } from '../../platform/database/without-hurry.ts';
import { Club } from './club.entity.ts';

@Injectable()
export class ClubsService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    this.kept.register({
      ...{ name: 'club', ofClub: 'id = $1' },
      // What was made of the demo is a club of somebody's own where it comes back.
      comesBack: (row) => ({ ...row, demo: false }),
    });
  }

  /** The club with this id; it is there for as long as anybody belongs to it. */
  byId(id: string): Promise<Club> {
    return this.read([id]).then(([club]) => club!);
  }
  private readonly read = together(
    (ids) => readBy(this.db, Club, { id: ids }),
    (club) => club.id,
  );

  /** Adds a club; false where the id is taken. */
  add(manager: EntityManager, club: Club): Promise<boolean> {
    return insertNew(manager, Club, club);
  }

  /** The club with this id, where there is one. */
  find(id: string): Promise<Club | null> {
    return readOne(this.db, Club, { id });
  }

  /** Changes the settings at the version that the editor saw. */
  async save(id: string, { version, ...content }: ClubRequest): Promise<void> {
    await saveVersion(this.db.manager, Club, {
      ...{
        id,
        owner: {},
        seen: version,
        content: { ...content },
        fresh: {},
        what: 'club',
      },
    });
  }

  /** The demo's club, where it is here. */
  demo(): Promise<Club | null> {
    return this.db.getRepository(Club).findOneBy({ demo: true });
  }

  /** Has anybody started a club of their own? */
  anyOwn(): Promise<boolean> {
    return this.db.getRepository(Club).existsBy({ demo: false });
  }

  /** The same, held until the transaction ends, so that two do not both start the first. */
  async noneOwn(manager: EntityManager): Promise<boolean> {
    await manager.query('LOCK TABLE club IN SHARE ROW EXCLUSIVE MODE');
    return !(await manager.existsBy(Club, { demo: false }));
  }

  /**
   * Is there any club yet? Whoever asks holds the table until the transaction ends, so that two do not both make the first; a
   * process that starts beside it waits until then, however long a slow machine takes for the demo.
   */
  async isEmpty(manager: EntityManager): Promise<boolean> {
    await withoutHurry(manager);
    await manager.query('LOCK TABLE club IN SHARE ROW EXCLUSIVE MODE');
    return !(await manager.existsBy(Club, {}));
  }
}
