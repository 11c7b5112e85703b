import { Injectable } from '@nestjs/common';
import { QueryFailedError, type EntityManager } from 'typeorm';
import { KeptTables, type KnownTable, type Row } from '../../platform/database/kept-tables.ts';
import { ZipReader } from '../../platform/files/zip.ts';
import { Problem } from '../../platform/http/problem.ts';
import { dataFile, FORMAT_VERSION, MANIFEST, readManifest, type Manifest } from './export-format.ts';

/** Rows added in one statement at most, and the length of their text, characters. */
const ROWS_AT_ONCE = 500;
const TEXT_AT_ONCE = 4_000_000;
/** A manifest is a list of files; what is longer is something else. */
const LONGEST_MANIFEST = 1_000_000;

/** PostgreSQL's codes for rows that are there already, and for rows that break what a table asks for. */
const THERE_ALREADY = '23505';
const BROKEN = /^(22|23)/u;

/** An export that was opened and found whole. */
export interface OpenExport {
  readonly manifest: Manifest;
  readonly zip: ZipReader;
}

/** Puts back what an export holds: all of it or nothing. */
@Injectable()
export class ExportReader {
  constructor(private readonly kept: KeptTables) {}

  /**
   * Opens an export and checks every file of rows against its checksum.
   * @throws Problem 400 for what is no export, a damaged one, or one that a newer version made.
   */
  async open(path: string, kind: Manifest['kind']): Promise<OpenExport> {
    const zip = await ZipReader.open(path).catch(() => {
      throw unusable(
        'This is no export of Iron Clasp: it is not a zip file. Choose the file that was downloaded.',
      );
    });
    try {
      return { zip, manifest: await this.check(zip, kind) };
    } catch (error) {
      zip.close();
      throw error instanceof Problem
        ? error
        : unusable('The export is damaged: it cannot be unpacked to its end. Download it once more.');
    }
  }

  /** Adds a club that is not there yet, every row of it. */
  async addClub(manager: EntityManager, { zip, manifest }: OpenExport): Promise<void> {
    await this.quietly(async () => {
      for (const table of await this.tablesIn(manager, manifest))
        await this.addRows(manager, zip, table, (row) => row);
    });
    await this.checkOwners(manager, manifest, manifest.club.id, (table) => table.ofClub, manifest.club.id);
  }

  /** Adds a lifter that is not there yet to a club, and of what their rows point to what the club has not. */
  async addLifter(manager: EntityManager, { zip, manifest }: OpenExport, clubId: string): Promise<void> {
    const lifterId = manifest.lifter!.id;
    await this.quietly(async () => {
      for (const table of await this.tablesIn(manager, manifest)) {
        // The club that the lifter comes to takes the place of the one they left.
        const own = (row: Row): Row => (row['club_id'] === undefined ? row : { ...row, club_id: clubId });
        await this.addRows(manager, zip, table, own, table.goesAlong !== undefined);
      }
    });
    await this.checkOwners(
      manager,
      manifest,
      lifterId,
      (table) => (table.goesAlong ? undefined : table.ofLifter),
      clubId,
    );
  }

  private async check(zip: ZipReader, kind: Manifest['kind']): Promise<Manifest> {
    const size = zip.sizeOf(MANIFEST);
    const manifest = size !== null && size < LONGEST_MANIFEST ? readManifest(await zip.text(MANIFEST)) : null;
    if (!manifest)
      throw unusable(
        'This zip is no export of Iron Clasp: it has no manifest. Choose the file that was downloaded.',
      );
    if (manifest.version > FORMAT_VERSION) throw newer();
    if (manifest.kind !== kind)
      throw unusable(
        kind === 'club'
          ? 'This is the export of one lifter. Start the club first, then bring the lifter in under Archived lifters.'
          : 'This is the export of a whole club. It comes back on the page that starts a club, into an empty installation.',
      );
    for (const { path, sha256 } of manifest.files)
      if (path.startsWith('data/') && (zip.sizeOf(path) === null || (await zip.sha256(path)) !== sha256))
        throw unusable(
          `The export is damaged: ${path} is not what it was when it was made. Download it once more.`,
        );
    return manifest;
  }

  /** The tables of the export, in the order that their rows can be added in. */
  private async tablesIn(manager: EntityManager, manifest: Manifest): Promise<KnownTable[]> {
    const tables = await this.kept.inOrder(manager);
    const known = new Set(
      tables.filter(({ exported }) => exported !== 'never').map(({ name }) => dataFile(name)),
    );
    const files = new Set(manifest.files.map(({ path }) => path).filter((path) => path.startsWith('data/')));
    if ([...files].some((path) => !known.has(path))) throw newer();
    return tables.filter(({ name }) => files.has(dataFile(name)));
  }

  /** Adds the rows of one table, piece by piece; those that are there already only where that may be. */
  private async addRows(
    manager: EntityManager,
    zip: ZipReader,
    table: KnownTable,
    as: (row: Row) => Row,
    mayBeThere = false,
  ): Promise<void> {
    const columns = new Set(await this.kept.columns(manager, table.name));
    let [batch, length]: [Row[], number] = [[], 0];
    const add = async (): Promise<void> => {
      if (batch.length === 0) return;
      const given = Object.keys(batch[0]!);
      if (given.some((column) => !columns.has(column))) throw newer();
      const list = given.map((column) => `"${column}"`).join(', ');
      await manager.query(
        `INSERT INTO ${table.name} (${list}) SELECT ${list} FROM jsonb_populate_recordset(NULL::${table.name}, $1::jsonb)
         ${mayBeThere ? 'ON CONFLICT DO NOTHING' : ''}`,
        [JSON.stringify(batch)],
      );
      [batch, length] = [[], 0];
    };
    for await (const line of zip.lines(dataFile(table.name))) {
      if (line === '[' || line === ']' || line === '') continue;
      const text = line.endsWith(',') ? line.slice(0, -1) : line;
      const row = as(JSON.parse(text) as Row);
      const secret = table.secret?.find((column) => column in row);
      if (secret)
        throw unusable(
          `The export is not as it was made: it holds ${secret} of ${table.name}, which no export does.`,
        );
      batch.push(table.comesBack ? table.comesBack(row) : row);
      length += text.length;
      if (batch.length >= ROWS_AT_ONCE || length >= TEXT_AT_ONCE) await add();
    }
    await add();
  }

  /** Makes sure that every row added is the club's or the lifter's own, and points to nothing of another club. */
  private async checkOwners(
    manager: EntityManager,
    { files }: Manifest,
    owner: string,
    whose: (table: KnownTable) => string | undefined,
    clubId: string,
  ): Promise<void> {
    const rows = new Map(files.map((file) => [file.path, file.rows]));
    const tables = new Map((await this.kept.inOrder(manager)).map((table) => [table.name, table]));
    for (const table of tables.values()) {
      const [where, expected] = [whose(table), rows.get(dataFile(table.name))];
      if (where === undefined || expected === undefined) continue;
      const [{ n }] = (await manager.query(`SELECT count(*)::int AS n FROM ${table.name} WHERE ${where}`, [
        owner,
      ])) as [{ n: number }];
      if (n !== expected) throw foreign();
    }
    for (const { table, column, to } of await this.kept.pointers(manager)) {
      const [from, target] = [tables.get(table)!, tables.get(to)!];
      const where = whose(from);
      if (where === undefined || !rows.has(dataFile(table))) continue;
      const [{ n }] = (await manager.query(
        `SELECT count(*)::int AS n FROM ${table} WHERE ${where} AND ${column} IS NOT NULL
         AND ${column} NOT IN (SELECT id FROM ${to} WHERE ${target.ofClub.replaceAll('$1', '$2')})`,
        [owner, clubId],
      )) as [{ n: number }];
      if (n > 0) throw foreign();
    }
  }

  /** Says what is wrong with rows that the database does not take. */
  private async quietly(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      if (error instanceof SyntaxError) throw unusable('The export holds a row that cannot be read.');
      if (!(error instanceof QueryFailedError)) throw error;
      const { code, table } = error.driverError as { code?: string; table?: string };
      if (code === THERE_ALREADY)
        throw new Problem(
          409,
          'here-already',
          table === 'account'
            ? 'Somebody signs in here already with an address of this export. Delete that account or club first.'
            : 'Rows of this export are here already. Nothing was changed.',
        );
      if (code !== undefined && BROKEN.test(code))
        throw unusable(
          `The export holds rows of ${table ?? 'a table'} that do not fit. Nothing was changed.`,
        );
      throw error;
    }
  }
}

const unusable = (message: string): Problem => new Problem(400, 'unusable-export', message);
const newer = (): Problem =>
  unusable('The export was made by a newer version of Iron Clasp. Update this one first.');
const foreign = (): Problem => unusable('The export holds rows that are not its own. Nothing was changed.');
