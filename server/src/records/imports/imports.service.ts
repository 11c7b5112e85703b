import { Injectable, type OnModuleInit } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { insertMany } from '../../platform/database/saves.ts';
import { notFound } from '../../platform/http/problem.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import type { LoggedSet } from '../log/log.entity.ts';
import { BroughtSetsService } from '../log/brought-sets.service.ts';
import { LogService } from '../log/log.service.ts';
import type { TrainingSession } from '../training/training.entity.ts';
import { TrainingService } from '../training/training.service.ts';
import { TrainingImport, TrainingImportRow } from './import.entity.ts';

/** Imports that are listed. */
const LISTED = 50;

/** Sessions and sets that an import brings. Their ids follow from what they say, so that the same file brings nothing twice. */
export interface Brought {
  readonly sessions: readonly TrainingSession[];
  readonly sets: readonly LoggedSet[];
}

@Injectable()
export class ImportsService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly training: TrainingService,
    private readonly log: LogService,
    private readonly brought: BroughtSetsService,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    this.kept.register(
      { name: 'training_import', ofClub: OWN.ofClub },
      { name: 'training_import_row', partOf: 'import_id', ofLifter: OWN.ofLifter, exported: 'withClub' },
    );
  }

  /** The club's imports, the latest first. */
  list(clubId: string): Promise<TrainingImport[]> {
    return this.db
      .getRepository(TrainingImport)
      .find({ where: { clubId }, order: { importedAt: 'DESC', id: 'ASC' }, take: LISTED });
  }

  /** Of the sets, those that stand in the log already. */
  knownOf(clubId: string, ids: readonly string[]): Promise<ReadonlySet<string>> {
    return this.brought.standing(clubId, ids);
  }

  /**
   * Brings sessions and sets in, all or nothing. What stands there already is left as it is; what an import brought that was
   * undone since comes back. Sent again under its id it changes nothing.
   */
  async bring(
    { id, clubId, name, by, at }: { id: string; clubId: string; name: string; by: string; at: Date },
    { sessions, sets }: Brought,
  ): Promise<void> {
    await this.db.transaction(async (manager) => {
      // One at a time: two that tell of the same set would both add it.
      await manager.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 0))', [`import ${clubId}`]);
      const imports = manager.getRepository(TrainingImport);
      const before = await imports.findOneBy({ id });
      if (before && before.clubId !== clubId) throw notFound('import');
      if (before && !before.undoneAt) return;
      await manager.query('SET LOCAL statement_timeout = 0');
      // Sessions first: a set stands in one.
      const standing = await this.brought.standing(
        clubId,
        sets.map((set) => set.id),
      );
      const wanted = new Set(sets.filter((set) => !standing.has(set.id)).map((set) => set.sessionId));
      const freshSessions = await this.training.bringBack(
        manager,
        clubId,
        sessions.filter((session) => wanted.has(session.id)),
      );
      const freshSets = await this.brought.bringBack(manager, clubId, sets);
      const row = { id, clubId, name, importedBy: by, importedAt: at, undoneBy: null, undoneAt: null };
      await imports.save({ ...row, sets: freshSets.size, sessions: freshSessions.size });
      const rows = [
        ...sessions
          .filter((each) => freshSessions.has(each.id))
          .map((each) => ({ ...each, kind: 'session' as const })),
        ...sets.filter((each) => freshSets.has(each.id)).map((each) => ({ ...each, kind: 'set' as const })),
      ].map(({ id: rowId, lifterId, kind }) => ({ id: rowId, importId: id, lifterId, kind }));
      // A row that came back belongs to the import that brought it last.
      for (let i = 0; i < rows.length; i += 5_000) {
        const some = rows.slice(i, i + 5_000);
        await manager.delete(
          TrainingImportRow,
          some.map((each) => each.id),
        );
        await insertMany(manager, TrainingImportRow, some);
      }
    });
    // The curves are fitted before a page asks for them.
    this.log.changedOf(
      clubId,
      sets.map((set) => set.lifterId),
    );
  }

  /** Takes everything back that an import brought; what was logged since in its sessions stays, with them. */
  async undo(clubId: string, id: string, by: string, at: Date): Promise<void> {
    const touched = await this.db.transaction(async (manager) => {
      const found = await manager.findOneBy(TrainingImport, { id, clubId });
      if (!found) throw notFound('import');
      if (found.undoneAt) return [];
      await manager.query('SET LOCAL statement_timeout = 0');
      const rows = await manager.findBy(TrainingImportRow, { importId: id });
      const ids = (kind: TrainingImportRow['kind']): string[] =>
        rows.filter((row) => row.kind === kind).map((row) => row.id);
      await this.brought.undoMany(manager, clubId, ids('set'), at);
      const used = await this.brought.sessionsWithEntries(manager, ids('session'));
      await this.training.removeMany(
        manager,
        clubId,
        ids('session').filter((each) => !used.has(each)),
        at,
      );
      await manager.update(TrainingImport, { id }, { undoneBy: by, undoneAt: at });
      return rows.map((row) => row.lifterId);
    });
    this.log.changedOf(clubId, touched);
  }
}
