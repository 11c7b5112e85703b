import { Injectable, type OnModuleInit } from '@nestjs/common';
import type { FileKind } from '@iron-clasp/core';
import { DataSource, type EntityManager } from 'typeorm';
import type { BroughtRows } from '../../platform/database/brought-rows.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { insertMany } from '../../platform/database/saves.ts';
import { withoutHurry } from '../../platform/database/without-hurry.ts';
import { notFound } from '../../platform/http/problem.ts';
import type { GripperAttemptRow } from '../grippers/gripper-attempt.entity.ts';
import { GripperAttemptsService } from '../grippers/gripper-attempts.service.ts';
import type { Lifter } from '../lifters/lifter.entity.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { LoggedSet } from '../log/log.entity.ts';
import { LogService } from '../log/log.service.ts';
import type { SqueezeTestRow } from '../squeeze/squeeze.entity.ts';
import { SqueezeService } from '../squeeze/squeeze.service.ts';
import type { TrainingSession } from '../training/training.entity.ts';
import { TrainingService } from '../training/training.service.ts';
import { TrainingImport, TrainingImportRow, type BroughtKind } from './import.entity.ts';

/** Imports that are listed. */
const LISTED = 50;
/** Rows that are added at once: between two lots it is told how far it has come, and it can be ended. */
const AT_ONCE = 2_000;

/** What an import brings, by what it is. Ids follow from what each says, so that the same file brings nothing twice. */
export interface Brought {
  readonly lifter: readonly Lifter[];
  readonly session: readonly TrainingSession[];
  readonly set: readonly LoggedSet[];
  readonly attempt: readonly GripperAttemptRow[];
  readonly test: readonly SqueezeTestRow[];
}

export const NOTHING_BROUGHT: Brought = { lifter: [], session: [], set: [], attempt: [], test: [] };

/** Who keeps what of it. */
type Keepers = { readonly [Kind in BroughtKind]: BroughtRows<Brought[Kind][number]> };

/** What comes first is what later rows stand in. */
const IN_ORDER: readonly BroughtKind[] = ['lifter', 'session', 'set', 'attempt', 'test'];

/** Which of its rows a file of a kind is counted by. */
export const COUNTED: Readonly<Record<FileKind, Exclude<BroughtKind, 'session'>>> = {
  training: 'set',
  lifters: 'lifter',
  grippers: 'attempt',
  squeeze: 'test',
};

/** An import under way, as whoever waits for it follows it. */
export interface UnderWay {
  /** Told between two lots. */
  readonly onProgress?: (done: number, of: number) => void;
  /** Ends it, with nothing brought. */
  readonly signal?: AbortSignal;
}

@Injectable()
export class ImportsService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly lifters: LiftersService,
    private readonly training: TrainingService,
    private readonly log: LogService,
    private readonly grippers: GripperAttemptsService,
    private readonly squeeze: SqueezeService,
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

  /** Of what a file of that kind is counted by, what is there already. */
  knownOf(clubId: string, kind: FileKind, brought: Brought): Promise<ReadonlySet<string>> {
    const counted = COUNTED[kind];
    return this.keepers[counted].shown(this.db.manager, clubId, idsOf(brought[counted]));
  }

  /**
   * Brings in what a file tells of, all or nothing. What is there already is left as it is; what an import brought that was
   * undone since comes back. Sent again under its id it changes nothing.
   */
  async bring(
    of: { id: string; clubId: string; kind: FileKind; name: string; by: string; at: Date },
    brought: Brought,
    { onProgress, signal }: UnderWay = {},
  ): Promise<void> {
    const { id, clubId, kind, name, by, at } = of;
    await this.db.transaction(async (manager) => {
      // One at a time: two that tell of the same would both add it.
      await manager.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 0))', [`import ${clubId}`]);
      const imports = manager.getRepository(TrainingImport);
      const before = await imports.findOneBy({ id });
      if (before && before.clubId !== clubId) throw notFound('import');
      if (before && !before.undoneAt) return;
      await withoutHurry(manager);
      const wanted = { ...brought, session: await this.wantedSessions(manager, clubId, brought) };
      const total = IN_ORDER.reduce((sum, each) => sum + wanted[each].length, 0);
      const fresh: Omit<TrainingImportRow, 'importId'>[] = [];
      let done = 0;
      for (const each of IN_ORDER)
        for (let i = 0; i < wanted[each].length; i += AT_ONCE) {
          signal?.throwIfAborted();
          const lot = wanted[each].slice(i, i + AT_ONCE);
          const shown = await this.show(manager, clubId, each, lot);
          for (const row of lot)
            if (shown.has(row.id)) fresh.push({ id: row.id, lifterId: lifterOf(row), kind: each });
          onProgress?.((done += lot.length), total);
        }
      const added = new Set(idsOf(fresh));
      const counted = brought[COUNTED[kind]].filter((each) => added.has(each.id));
      const row = { id, clubId, kind, name, importedBy: by, importedAt: at, undoneBy: null, undoneAt: null };
      await imports.save({ ...row, things: counted.length, days: daysOf(counted) });
      // A row that came back belongs to the import that brought it last.
      for (let i = 0; i < fresh.length; i += AT_ONCE) {
        const some = fresh.slice(i, i + AT_ONCE).map((each) => ({ ...each, importId: id }));
        await manager.delete(TrainingImportRow, idsOf(some));
        await insertMany(manager, TrainingImportRow, some);
      }
      signal?.throwIfAborted();
    });
    // The curves are fitted before a page asks for them.
    this.log.changedOf(
      clubId,
      brought.set.map((set) => set.lifterId),
    );
  }

  /** Takes everything back that an import brought; what was logged since in its sessions stays, with them. */
  async undo(clubId: string, id: string, by: string, at: Date): Promise<void> {
    const touched = await this.db.transaction(async (manager) => {
      const found = await manager.findOneBy(TrainingImport, { id, clubId });
      if (!found) throw notFound('import');
      if (found.undoneAt) return [];
      await withoutHurry(manager);
      const rows = await manager.findBy(TrainingImportRow, { importId: id });
      for (const each of [...IN_ORDER].reverse()) {
        const ids = idsOf(rows.filter((row) => row.kind === each));
        const used = each === 'session' ? await this.log.sessionsWithEntries(manager, ids) : new Set();
        await this.keepers[each].hide(
          manager,
          clubId,
          ids.filter((one) => !used.has(one)),
          at,
        );
      }
      await manager.update(TrainingImport, { id }, { undoneBy: by, undoneAt: at });
      return rows.filter((row) => row.kind === 'set').map((row) => row.lifterId);
    });
    this.log.changedOf(clubId, touched);
  }

  /** Sessions in which a set stands that is not there yet. */
  private async wantedSessions(
    manager: EntityManager,
    clubId: string,
    { session, set }: Brought,
  ): Promise<readonly TrainingSession[]> {
    const standing = await this.log.brought.shown(manager, clubId, idsOf(set));
    const wanted = new Set(set.filter((each) => !standing.has(each.id)).map((each) => each.sessionId));
    return session.filter((each) => wanted.has(each.id));
  }

  private show<Kind extends BroughtKind>(
    manager: EntityManager,
    clubId: string,
    kind: Kind,
    rows: Brought[Kind],
  ): Promise<ReadonlySet<string>> {
    return this.keepers[kind].show(manager, clubId, rows);
  }

  private get keepers(): Keepers {
    return {
      lifter: this.lifters.brought,
      session: this.training.brought,
      set: this.log.brought,
      attempt: this.grippers.brought,
      test: this.squeeze.brought,
    };
  }
}

const idsOf = (rows: readonly { readonly id: string }[]): string[] => rows.map((row) => row.id);
/** Whose a row is: a lifter is its own. */
export const lifterOf = (row: Brought[BroughtKind][number]): string =>
  'lifterId' in row ? row.lifterId : row.id;

/** The day that a row tells of; a lifter tells of none. */
export function dayOf(row: Brought[BroughtKind][number]): string | null {
  if ('trainingDay' in row) return row.trainingDay;
  if ('testedOn' in row) return row.testedOn;
  return 'heldOn' in row ? row.heldOn : null;
}

/** Days of a lifter on which something of the rows was done. */
export const daysOf = (rows: readonly Brought[BroughtKind][number][]): number =>
  new Set(rows.filter(dayOf).map((row) => `${lifterOf(row)} ${dayOf(row)}`)).size;
