import { randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { inOneMoment } from '../../platform/database/one-moment.ts';
import { KeptTables } from '../../platform/database/kept-tables.ts';
import { Problem } from '../../platform/http/problem.ts';
import { ClubsService } from '../clubs/clubs.service.ts';
import type { Lifter } from '../lifters/lifter.entity.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { Manifest } from './export-format.ts';
import { ExportReader } from './export-reader.ts';
import { ExportWriter, type ExportOf } from './export-writer.ts';

/** An export that was made: whoever has read it removes it. */
export interface MadeExport {
  readonly path: string;
  readonly manifest: Manifest;
  remove(): Promise<void>;
}

const EXPORT_FIRST =
  'Download the export first: nothing is deleted that was not taken out as it stands now. If something was changed since, download it once more.';

/** Exports of clubs and lifters: made, brought back, and asked for before anything is deleted. */
@Injectable()
export class ExportsService {
  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
    private readonly writer: ExportWriter,
    private readonly reader: ExportReader,
    private readonly clubs: ClubsService,
    private readonly lifters: LiftersService,
  ) {}

  async ofClub(clubId: string): Promise<MadeExport> {
    return this.make(await this.club(clubId));
  }

  async ofLifter(clubId: string, lifterId: string): Promise<MadeExport> {
    return this.make(await this.lifter(clubId, await this.lifters.known(clubId, lifterId)));
  }

  /** Deletes an archived lifter, once an export of exactly what there is has been taken. */
  async deleteLifter(clubId: string, lifterId: string, receipt: string | undefined): Promise<void> {
    const lifter = await this.lifters.known(clubId, lifterId);
    if (lifter.archivedAt === null)
      throw new Problem(409, 'not-archived', 'Archive the lifter first; deleting cannot be undone.');
    await this.deleteTaken(await this.lifter(clubId, lifter), receipt, (manager) =>
      this.kept.deleteLifter(manager, lifterId),
    );
  }

  /** Deletes the whole club with everybody's account, once an export of exactly what there is has been taken. */
  async deleteClub(clubId: string, receipt: string | undefined): Promise<void> {
    await this.deleteTaken(await this.club(clubId), receipt, (manager) =>
      this.kept.deleteClub(manager, clubId),
    );
  }

  /** Deletes the demo club, where it is here; it is not made again beside a club of somebody's own. */
  async deleteDemo(): Promise<void> {
    const demo = await this.clubs.demo();
    if (demo) await inOneMoment(this.db, (manager) => this.kept.deleteClub(manager, demo.id));
  }

  /**
   * Brings a lifter back, or from another club.
   * @returns the lifter's id.
   */
  async bringLifter(clubId: string, path: string): Promise<string> {
    const opened = await this.reader.open(path, 'lifter');
    try {
      const { id } = opened.manifest.lifter!;
      // Sent again after a lost answer: they are here.
      if (await this.lifters.find(clubId, id)) return id;
      await inOneMoment(this.db, (manager) => this.reader.addLifter(manager, opened, clubId));
      return id;
    } finally {
      opened.zip.close();
    }
  }

  /**
   * Brings a whole club.
   * @param around what else has to happen, or nothing of it does: `add` adds the club and gives its id.
   */
  async bringClub<Result>(
    path: string,
    around: (manager: EntityManager, add: () => Promise<string>) => Promise<Result>,
  ): Promise<Result> {
    const opened = await this.reader.open(path, 'club');
    try {
      const { id } = opened.manifest.club;
      if (await this.clubs.find(id))
        throw new Problem(409, 'here-already', 'This club is here already. Sign in to it.');
      return await inOneMoment(this.db, (manager) =>
        around(manager, async () => {
          await this.reader.addClub(manager, opened);
          return id;
        }),
      );
    } finally {
      opened.zip.close();
    }
  }

  private async make(of: ExportOf): Promise<MadeExport> {
    const path = join(tmpdir(), `iron-clasp-export-${randomUUID()}.zip`);
    const remove = (): Promise<void> => rm(path, { force: true });
    try {
      return { path, manifest: await this.writer.write(path, of), remove };
    } catch (error) {
      await remove();
      throw error;
    }
  }

  /** Deletes what an export was taken of, where it is still exactly that. */
  private deleteTaken(
    of: ExportOf,
    receipt: string | undefined,
    work: (manager: EntityManager) => Promise<void>,
  ): Promise<void> {
    return inOneMoment(this.db, async (manager) => {
      if (receipt !== (await this.writer.receipt(manager, of)))
        throw new Problem(409, 'export-first', EXPORT_FIRST);
      await work(manager);
    });
  }

  private async club(id: string): Promise<ExportOf> {
    const { name } = await this.clubs.byId(id);
    return { kind: 'club', club: { id, name }, lifter: null };
  }

  private async lifter(clubId: string, { id, name }: Lifter): Promise<ExportOf> {
    const { club } = await this.club(clubId);
    return { kind: 'lifter', club, lifter: { id, name } };
  }
}
