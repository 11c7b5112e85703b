import { Injectable } from '@nestjs/common';
import { DataSource, In, IsNull } from 'typeorm';
import { insertNew } from '../database/insert-new.ts';
import { SqueezeProtocolRow, SqueezeTestRow, SqueezeTraceRow } from './squeeze.entity.ts';

/** Tests read at once: six years of one a fortnight. */
const MOST_TESTS = 160;

@Injectable()
export class SqueezeRepository {
  constructor(private readonly db: DataSource) {}

  /** The club's protocols in use, by name. */
  async protocols(clubId: string): Promise<SqueezeProtocolRow[]> {
    return this.db
      .getRepository(SqueezeProtocolRow)
      .find({ where: { clubId, archivedAt: IsNull() }, order: { name: 'ASC' } });
  }

  /** The club's protocol, put aside or not. */
  async protocol(clubId: string, id: string): Promise<SqueezeProtocolRow | null> {
    return this.db.getRepository(SqueezeProtocolRow).findOneBy({ clubId, id });
  }

  /** Writes a protocol, new or at the version its editor saw; false where somebody was faster. */
  async saveProtocol(row: SqueezeProtocolRow): Promise<boolean> {
    if (row.version === 1) return insertNew(this.db.manager, SqueezeProtocolRow, row);
    const { id, clubId, version } = row;
    const done = await this.db
      .getRepository(SqueezeProtocolRow)
      .update({ id, clubId, version: version - 1 }, row as never);
    return done.affected === 1;
  }

  /** The lifter's tests, the latest first. */
  async tests(lifterId: string): Promise<SqueezeTestRow[]> {
    return this.db.getRepository(SqueezeTestRow).find({
      where: { lifterId, undoneAt: IsNull() },
      order: { testedAt: 'DESC', id: 'DESC' },
      take: MOST_TESTS,
    });
  }

  /** The tests of several lifters, the latest first. */
  async testsOf(lifterIds: readonly string[]): Promise<SqueezeTestRow[]> {
    return this.db.getRepository(SqueezeTestRow).find({
      where: { lifterId: In([...lifterIds]), undoneAt: IsNull() },
      order: { testedAt: 'DESC', id: 'DESC' },
    });
  }

  /** Keeps a test with its traces; where the id is known already, gives what is stored under it. */
  async keep(test: SqueezeTestRow, traces: readonly SqueezeTraceRow[]): Promise<SqueezeTestRow> {
    return this.db.transaction(async (manager) => {
      if ((await insertNew(manager, SqueezeTestRow, test)) && traces.length)
        await manager.insert(SqueezeTraceRow, [...traces]);
      return manager.findOneByOrFail(SqueezeTestRow, { id: test.id });
    });
  }

  /** The samples of one trial of the lifter's test. */
  async trace(clubId: string, testId: string, place: number): Promise<SqueezeTraceRow | null> {
    return this.db
      .getRepository(SqueezeTraceRow)
      .createQueryBuilder('trace')
      .where(
        `trace.testId = :testId AND trace.place = :place AND trace.testId IN (
           SELECT t.id FROM squeeze_test t JOIN lifter l ON l.id = t.lifter_id WHERE l.club_id = :clubId)`,
        { testId, place, clubId },
      )
      .getOne();
  }

  /** Hides a test of the club, or says whether its easing is declined; the lifter's id, or null where it is not there. */
  async change(clubId: string, id: string, part: Partial<SqueezeTestRow>): Promise<string | null> {
    const test = await this.db
      .getRepository(SqueezeTestRow)
      .createQueryBuilder('test')
      .where('test.id = :id AND test.lifterId IN (SELECT id FROM lifter WHERE club_id = :clubId)', {
        id,
        clubId,
      })
      .getOne();
    if (!test) return null;
    await this.db.getRepository(SqueezeTestRow).update({ id }, part as never);
    return test.lifterId;
  }
}
