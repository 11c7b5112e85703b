import { createHash } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { Clock } from '../../platform/clock/clock.ts';
import { inOneMoment } from '../../platform/database/one-moment.ts';
import { KeptTables, type KnownTable, type Pointer, type Row } from '../../platform/database/kept-tables.ts';
import { ZipWriter, type Written } from '../../platform/files/zip.ts';
import {
  dataFile,
  FORMAT,
  FORMAT_VERSION,
  MANIFEST,
  readMe,
  receiptOf,
  type Manifest,
} from './export-format.ts';
import { EXPORT_LISTS, listHead, listRows, NAMED, type ExportList, type NamesOf } from './export-lists.ts';

/** Rows of one table that go into an export, read when asked for. */
interface Part {
  readonly table: KnownTable & { readonly only?: readonly string[] };
  readonly where: string;
  readonly parameters: readonly unknown[];
}

/** Whose export it is. */
export type ExportOf = Pick<Manifest, 'kind' | 'club' | 'lifter'>;

/** Writes everything that is kept of a club, or of a lifter, into one file. */
@Injectable()
export class ExportWriter {
  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
    private readonly clock: Clock,
  ) {}

  /** Writes it as it stands in one moment. */
  write(path: string, of: ExportOf): Promise<Manifest> {
    return inOneMoment(this.db, async (manager) => {
      const parts = await this.parts(manager, of);
      const zip = new ZipWriter(path);
      try {
        const files: (Written & { rows: number })[] = [];
        for (const part of parts) files.push(await this.addRows(manager, zip, part));
        const names = await this.names(manager, parts);
        for (const list of EXPORT_LISTS) {
          const part = parts.find(({ table }) => table.name === list.of);
          if (part) files.push(await this.addList(manager, zip, part, list, names));
        }
        const manifest: Manifest = {
          ...{ format: FORMAT, version: FORMAT_VERSION, ...of },
          ...{ madeAt: this.clock.now().toISOString(), receipt: receiptOf(files), files },
        };
        await zip.add('READ-ME.txt', [readMe(manifest)]);
        await zip.add(MANIFEST, [`${JSON.stringify(manifest, null, 1)}\n`]);
        await zip.close();
        return manifest;
      } catch (error) {
        await zip.abort();
        throw error;
      }
    });
  }

  /** What the manifest of an export made now would say, without one being made; within the transaction of whoever asks. */
  async receipt(manager: EntityManager, of: ExportOf): Promise<string> {
    const files: Written[] = [];
    for (const part of await this.parts(manager, of)) {
      const hash = createHash('sha256');
      for await (const text of this.rowsFile(manager, part, () => undefined)) hash.update(text);
      files.push({ path: dataFile(part.table.name), sha256: hash.digest('hex') });
    }
    return receiptOf(files);
  }

  /** What goes in, in the order in which it can come back. */
  private async parts(manager: EntityManager, { kind, club, lifter }: ExportOf): Promise<Part[]> {
    const tables = await this.kept.inOrder(manager);
    if (kind === 'club')
      return tables
        .filter(({ exported }) => exported !== 'never')
        .map((table) => ({ table, where: table.ofClub, parameters: [club.id] }));
    const pointers = await this.kept.pointers(manager);
    const along = await this.alongWith(manager, tables, pointers, lifter!.id);
    return tables.flatMap((table): Part[] => {
      if (isOwn(table)) return [{ table, where: table.ofLifter!, parameters: [lifter!.id] }];
      const ids = along.get(wholeOf(table, pointers));
      const where = `${table.ofClub} AND ${table.partOf ?? 'id'} = ANY ($2)`;
      const only = table.goesAlong === 'whole' ? undefined : table.goesAlong;
      return table.goesAlong && ids?.size
        ? [{ table: { ...table, ...(only && { only }) }, where, parameters: [club.id, [...ids]] }]
        : [];
    });
  }

  /** Rows of the club that a lifter's rows point to, by table; of a thing that is part of another, the whole. */
  private async alongWith(
    manager: EntityManager,
    tables: readonly KnownTable[],
    pointers: readonly Pointer[],
    lifterId: string,
  ): Promise<ReadonlyMap<string, ReadonlySet<string>>> {
    const found = new Map<string, Set<string>>();
    const add = async (to: string, sql: string, parameter: unknown): Promise<void> => {
      const rows: { id: string | null }[] = await manager.query(sql, [parameter]);
      const known = found.get(to) ?? new Set();
      for (const { id } of rows) if (id !== null) known.add(id);
      found.set(to, known);
    };
    const goes = new Map(tables.filter((table) => table.goesAlong).map((table) => [table.name, table]));
    const own = new Map(tables.filter(isOwn).map((table) => [table.name, table]));
    for (const { table, column, to } of pointers) {
      const [from, target] = [own.get(table), goes.get(to)];
      if (!from || !target) continue;
      const ids = `SELECT DISTINCT ${column} AS id FROM ${table} WHERE ${from.ofLifter!}`;
      const part = target.partOf;
      const sql = part ? `SELECT DISTINCT ${part} AS id FROM ${to} WHERE id IN (${ids})` : ids;
      await add(wholeOf(target, pointers), sql, lifterId);
    }
    // What the parts of a whole point to in their turn: who wrote a version of a school.
    for (const { table, column, to } of pointers) {
      const part = goes.get(table);
      if (!part?.partOf || part.partOf === column || !goes.has(to)) continue;
      const ids = [...(found.get(wholeOf(part, pointers)) ?? [])];
      await add(to, `SELECT DISTINCT ${column} AS id FROM ${table} WHERE ${part.partOf} = ANY ($1)`, ids);
    }
    return found;
  }

  private async addRows(
    manager: EntityManager,
    zip: ZipWriter,
    part: Part,
  ): Promise<Written & { rows: number }> {
    let rows = 0;
    const text = this.rowsFile(manager, part, (n) => (rows += n));
    return { ...(await zip.add(dataFile(part.table.name), text)), rows };
  }

  private async *rowsFile(
    manager: EntityManager,
    { table, where, parameters }: Part,
    onRows: (n: number) => void,
  ): AsyncGenerator<string> {
    yield '[\n';
    let first = true;
    for await (const rows of this.kept.read(manager, table, where, parameters)) {
      onRows(rows.length);
      yield `${first ? '' : ',\n'}${rows.join(',\n')}`;
      first = false;
    }
    yield first ? ']\n' : '\n]\n';
  }

  private async addList(
    manager: EntityManager,
    zip: ZipWriter,
    { table, where, parameters }: Part,
    list: ExportList,
    names: NamesOf,
  ): Promise<Written & { rows: number }> {
    let n = 0;
    const read = this.kept.read(manager, table, where, parameters);
    const text = (async function* (): AsyncGenerator<string> {
      yield listHead(list);
      for await (const rows of read) {
        n += rows.length;
        yield listRows(
          list,
          rows.map((row) => JSON.parse(row) as Row),
          names,
        );
      }
    })();
    return { ...(await zip.add(list.path, text)), rows: n };
  }

  /** What the rows of an export are called. */
  private async names(manager: EntityManager, parts: readonly Part[]): Promise<NamesOf> {
    const all = new Map<string, string>();
    for (const { table, where, parameters } of parts)
      if (NAMED.has(table.name)) {
        const rows: { id: string; name: string }[] = await manager.query(
          `SELECT id, name FROM ${table.name} WHERE ${where}`,
          [...parameters],
        );
        for (const { id, name } of rows) all.set(id, name);
      }
    return (id) => all.get(String(id)) ?? '';
  }
}

/** Is it one whose rows are the lifter's, and go out with them? */
const isOwn = ({ ofLifter, exported }: KnownTable): boolean =>
  ofLifter !== undefined && exported === undefined;

/** The table that a table's rows go along with: that of the whole, or its own. */
const wholeOf = ({ name, partOf }: KnownTable, pointers: readonly Pointer[]): string =>
  pointers.find(({ table, column }) => table === name && column === partOf)?.to ?? name;
