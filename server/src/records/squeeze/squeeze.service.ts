import { Injectable, type OnModuleInit } from '@nestjs/common';
import { DataSource, IsNull, type EntityManager } from 'typeorm';
import { Owners } from '../../platform/access/owners.ts';
import { insertMany, keepOnce, saveVersion } from '../../platform/database/saves.ts';
import { notFound } from '../../platform/http/problem.ts';
import { BroughtRows } from '../../platform/database/brought-rows.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { readBy, readMany } from '../../platform/database/read-many.ts';
import { SqueezeProtocolRow, SqueezeTestRow, SqueezeTraceRow } from './squeeze.entity.ts';

/** Tests read at once: six years of one a fortnight. */
const MOST_TESTS = 160;

/** What an editor says of a protocol. */
export type ProtocolContent = Pick<SqueezeProtocolRow, 'name' | 'protocol' | 'contractions' | 'archivedAt'>;

/** Squeeze tests with their traces, and the protocols of a club. */
@Injectable()
export class SqueezeService implements OnModuleInit {
  /** Tests that come from files. */
  readonly brought = new BroughtRows(SqueezeTestRow, 'undoneAt');

  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
    private readonly owners: Owners,
  ) {}

  onModuleInit(): void {
    this.owners.register('test', async (id) => {
      const test = await this.db.getRepository(SqueezeTestRow).findOneBy({ id });
      return test?.lifterId ?? null;
    });
    this.kept.register(
      { name: 'squeeze_protocol', ofClub: OWN.ofClub, goesAlong: 'whole' },
      { name: 'squeeze_test', ...OWN },
      { name: 'squeeze_trace', partOf: 'test_id' },
    );
  }

  /** The club's protocols in use, by name. */
  protocols(clubId: string): Promise<SqueezeProtocolRow[]> {
    return this.db
      .getRepository(SqueezeProtocolRow)
      .find({ where: { clubId, archivedAt: IsNull() }, order: { name: 'ASC', id: 'ASC' } });
  }

  /** The club's protocol, archived or not. */
  protocol(clubId: string, id: string): Promise<SqueezeProtocolRow | null> {
    return this.db.getRepository(SqueezeProtocolRow).findOneBy({ clubId, id });
  }

  /** Writes a protocol, new or at the version its editor saw. */
  async saveProtocol(
    clubId: string,
    id: string,
    seen: number,
    content: ProtocolContent,
  ): Promise<SqueezeProtocolRow> {
    await saveVersion(this.db.manager, SqueezeProtocolRow, {
      ...{ id, owner: { clubId }, seen, content, fresh: {}, what: 'protocol' },
    });
    return this.db.getRepository(SqueezeProtocolRow).findOneByOrFail({ id, clubId });
  }

  /** The lifter's tests, the latest first. */
  tests(lifterId: string): Promise<SqueezeTestRow[]> {
    return readMany(
      this.db,
      SqueezeTestRow,
      'lifter_id = $1 AND undone_at IS NULL ORDER BY tested_at DESC, id DESC LIMIT $2',
      [lifterId, MOST_TESTS],
    );
  }

  /** The tests of several lifters, the latest first. */
  testsOf(lifterIds: readonly string[]): Promise<SqueezeTestRow[]> {
    return readBy(
      this.db,
      SqueezeTestRow,
      { lifterId: lifterIds, undoneAt: null },
      { testedAt: 'DESC', id: 'DESC' },
    );
  }

  /** Keeps a test with its traces, once. */
  keep(test: SqueezeTestRow, traces: readonly SqueezeTraceRow[]): Promise<void> {
    return this.db.transaction(async (manager) => {
      const { clubId, lifterId } = test;
      const { fresh } = await keepOnce(manager, SqueezeTestRow, test, {
        owner: { clubId, lifterId },
        same: ['protocol', 'trials', 'contractions'],
        what: 'test',
      });
      if (fresh && traces.length) await manager.insert(SqueezeTraceRow, [...traces]);
    });
  }

  /** The samples of one trial of a test of the club. */
  async trace(clubId: string, testId: string, place: number): Promise<SqueezeTraceRow> {
    const test = await this.db.getRepository(SqueezeTestRow).findOneBy({ id: testId, clubId });
    const found = test && (await this.db.getRepository(SqueezeTraceRow).findOneBy({ testId, place }));
    if (!found) throw notFound('trace');
    return found;
  }

  /** Takes a test back; repeated it changes nothing. */
  async undo(clubId: string, id: string, at: Date): Promise<void> {
    const tests = this.db.getRepository(SqueezeTestRow);
    await tests.update({ id, clubId, undoneAt: IsNull() }, { undoneAt: at });
    if (!(await tests.existsBy({ id, clubId }))) throw notFound('test');
  }

  /** Keeps whether the easier holds that a test proposes are declined. */
  async decline(clubId: string, id: string, declinedBy: string | null): Promise<void> {
    const done = await this.db
      .getRepository(SqueezeTestRow)
      .update({ id, clubId, undoneAt: IsNull() }, { easingDeclined: declinedBy !== null, declinedBy });
    if (done.affected !== 1) throw notFound('test');
  }

  async addMany(
    manager: EntityManager,
    protocols: readonly SqueezeProtocolRow[],
    tests: readonly SqueezeTestRow[],
  ): Promise<void> {
    await insertMany(manager, SqueezeProtocolRow, protocols);
    await insertMany(manager, SqueezeTestRow, tests);
  }
}
