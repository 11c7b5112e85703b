import { Injectable, type OnModuleInit } from '@nestjs/common';
import {
  Between,
  DataSource,
  In,
  IsNull,
  LessThanOrEqual,
  MoreThanOrEqual,
  type EntityManager,
} from 'typeorm';
import { changeVersion, insertMany, saveVersion, type Saved } from '../../platform/database/saves.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { readBy, readMany } from '../../platform/database/read-many.ts';
import { SeasonMarkRow } from './season-mark.entity.ts';

/** What an editor says of a block. */
export type BlockContent = Pick<
  SeasonMarkRow,
  'label' | 'startsOn' | 'endsOn' | 'holdKind' | 'sessionsAWeek'
>;

/** Hold blocks and tests on the season strip. */
@Injectable()
export class HoldBlocksService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    this.kept.register({ name: 'season_mark', ...OWN });
  }

  /** Marks that touch a stretch of days, in order. */
  marks(lifterId: string, from: string, to: string): Promise<SeasonMarkRow[]> {
    return readMany(
      this.db,
      SeasonMarkRow,
      'lifter_id = $1 AND removed_at IS NULL AND ends_on >= $2 AND starts_on <= $3 ORDER BY starts_on',
      [lifterId, from, to],
    );
  }

  /** Blocks of several lifters that touch a stretch of days. */
  blocksOf(lifterIds: readonly string[], from: string, to: string): Promise<SeasonMarkRow[]> {
    return this.db.getRepository(SeasonMarkRow).find({
      where: {
        lifterId: In([...lifterIds]),
        kind: 'holdBlock',
        removedAt: IsNull(),
        startsOn: LessThanOrEqual(to),
        endsOn: MoreThanOrEqual(from),
      },
      order: { startsOn: 'ASC' },
    });
  }

  /** Days of tests of several lifters, in order. */
  testsOf(lifterIds: readonly string[], from: string, to: string): Promise<SeasonMarkRow[]> {
    return this.db.getRepository(SeasonMarkRow).find({
      where: { lifterId: In([...lifterIds]), kind: 'test', removedAt: IsNull(), startsOn: Between(from, to) },
      order: { startsOn: 'ASC', id: 'ASC' },
    });
  }

  /** The lifter's blocks, by day. */
  blocks(lifterId: string): Promise<SeasonMarkRow[]> {
    return readBy(
      this.db,
      SeasonMarkRow,
      { lifterId, kind: 'holdBlock', removedAt: null },
      { startsOn: 'ASC' },
    );
  }

  /** A block of the club, removed or not. */
  find(clubId: string, id: string): Promise<SeasonMarkRow | null> {
    return this.db.getRepository(SeasonMarkRow).findOneBy({ clubId, id, kind: 'holdBlock' });
  }

  /** Writes a block, new or at the version its editor saw. */
  save(
    manager: EntityManager,
    owner: Pick<SeasonMarkRow, 'clubId' | 'lifterId'>,
    id: string,
    seen: number,
    content: BlockContent,
    madeBy: string,
  ): Promise<Saved> {
    return saveVersion(manager, SeasonMarkRow, {
      ...{ id, owner: { ...owner, kind: 'holdBlock' }, seen, content, what: 'block' },
      fresh: { madeBy, removedAt: null },
    });
  }

  /** Removes a block that is still at its version. */
  remove(manager: EntityManager, block: SeasonMarkRow, removedAt: Date): Promise<void> {
    const { id, clubId, lifterId, version } = block;
    return changeVersion(manager, SeasonMarkRow, {
      ...{ id, owner: { clubId, lifterId }, seen: version, part: { removedAt }, what: 'block' },
    });
  }

  addMany(manager: EntityManager, marks: readonly SeasonMarkRow[]): Promise<void> {
    return insertMany(manager, SeasonMarkRow, marks);
  }
}
