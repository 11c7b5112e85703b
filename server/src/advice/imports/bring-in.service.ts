import { Injectable } from '@nestjs/common';
import type { FileImportRequest, ImportPreview } from '@iron-clasp/contract';
import { Clock } from '../../platform/clock/clock.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import {
  COUNTED,
  dayOf,
  daysOf,
  ImportsService,
  lifterOf,
  type UnderWay,
} from '../../records/imports/imports.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { HandFiles } from './hand-files.service.ts';
import { LifterFiles } from './lifter-files.service.ts';
import type { ReadFile, WhoIs } from './read-rows.ts';
import { TrainingFiles } from './training-files.service.ts';

/** Rows with a fault that are told one by one. */
const FAULTS_TOLD = 200;

/** Files of tables: what each would bring, and the bringing. Both read the same text by the same rules. */
@Injectable()
export class BringInService {
  constructor(
    private readonly imports: ImportsService,
    private readonly lifters: LiftersService,
    private readonly trainingFiles: TrainingFiles,
    private readonly lifterFiles: LifterFiles,
    private readonly handFiles: HandFiles,
    private readonly clock: Clock,
  ) {}

  /** What an import would do; nothing is stored. */
  async preview(club: ClubRef, body: FileImportRequest): Promise<ImportPreview> {
    return this.told(club, body, await this.read(club, body));
  }

  /** Does it, in one go or not at all. */
  async bring(
    club: ClubRef,
    by: string,
    id: string,
    body: FileImportRequest,
    underWay?: UnderWay,
  ): Promise<ImportPreview> {
    const read = await this.read(club, body);
    const told = await this.told(club, body, read);
    const { kind, name } = body;
    const of = { id, clubId: club.id, kind, name, by, at: this.clock.now() };
    await this.imports.bring(of, read.brought, underWay);
    return told;
  }

  async undo(club: ClubRef, by: string, id: string): Promise<void> {
    await this.imports.undo(club.id, id, by, this.clock.now());
  }

  private async told(
    club: ClubRef,
    { kind }: FileImportRequest,
    { rows, faults, brought }: ReadFile,
  ): Promise<ImportPreview> {
    const known = await this.imports.knownOf(club.id, kind, brought);
    const fresh = brought[COUNTED[kind]].filter((each) => !known.has(each.id));
    const days = fresh.flatMap((each) => dayOf(each) ?? []).sort();
    return {
      ...{ rows, things: fresh.length, known: known.size, lifters: new Set(fresh.map(lifterOf)).size },
      days: daysOf(fresh),
      from: days[0] ?? null,
      to: days.at(-1) ?? null,
      ...{ faults: faults.slice(0, FAULTS_TOLD), leftOut: faults.length },
    };
  }

  private async read(club: ClubRef, body: FileImportRequest): Promise<ReadFile> {
    if (body.kind === 'lifters') return this.lifterFiles.read(club, body);
    const whoIs = await this.whoIs(club, body);
    if (body.kind === 'grippers') return this.handFiles.readAttempts(club, body, whoIs);
    if (body.kind === 'squeeze') return this.handFiles.readSqueezes(club, body, whoIs);
    return this.trainingFiles.read(club, body, whoIs);
  }

  /** Lifters of the club by the names of the file, in small letters. */
  private async whoIs(club: ClubRef, { lifters }: FileImportRequest): Promise<WhoIs> {
    const known = new Map<string, string>();
    for (const { name, lifterId } of lifters)
      if (lifterId) {
        await this.lifters.known(club.id, lifterId);
        known.set(name.toLowerCase(), lifterId);
      }
    return known;
  }
}
