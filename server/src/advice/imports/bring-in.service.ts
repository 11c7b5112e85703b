import { Injectable } from '@nestjs/common';
import {
  closedOn,
  InvalidInputError,
  readTable,
  readTrainingRows,
  rolesOfLoads,
  type ReadSets,
} from '@iron-clasp/core';
import type { ImportFault, ImportPreview, TrainingImportRequest } from '@iron-clasp/contract';
import { Clock } from '../../platform/clock/clock.ts';
import { derivedId } from '../../platform/database/derived-id.ts';
import { instantOf, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { invalid } from '../../platform/http/problem.ts';
import { ImportsService, type Brought } from '../../records/imports/imports.service.ts';
import { KitService, type VenueKit } from '../../records/kit/kit.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import type { LoggedSet } from '../../records/log/log.entity.ts';
import { TrainingService } from '../../records/training/training.service.ts';

/** Rows with a fault that are told one by one. */
const FAULTS_TOLD = 200;
/** When past training is taken to have begun, o'clock by the club, and minutes from one set to the next. */
const [HOUR, MINUTES_A_SET] = [12, 3];

interface Read extends Brought {
  readonly rows: number;
  readonly faults: readonly ImportFault[];
}

/** Past training from a table: what it would bring, and the bringing. Both read the same text by the same rules. */
@Injectable()
export class BringInService {
  constructor(
    private readonly imports: ImportsService,
    private readonly kit: KitService,
    private readonly lifters: LiftersService,
    private readonly training: TrainingService,
    private readonly clock: Clock,
    private readonly days: Days,
  ) {}

  /** What an import would do; nothing is stored. */
  async preview(club: ClubRef, body: TrainingImportRequest): Promise<ImportPreview> {
    return this.told(club, await this.read(club, body));
  }

  /** Does it, in one go or not at all. */
  async bring(club: ClubRef, by: string, id: string, body: TrainingImportRequest): Promise<ImportPreview> {
    const read = await this.read(club, body);
    const told = await this.told(club, read);
    await this.imports.bring({ id, clubId: club.id, name: body.name, by, at: this.clock.now() }, read);
    return told;
  }

  async undo(club: ClubRef, by: string, id: string): Promise<void> {
    await this.imports.undo(club.id, id, by, this.clock.now());
  }

  private async told(club: ClubRef, { rows, faults, sets }: Read): Promise<ImportPreview> {
    const known = await this.imports.knownOf(
      club.id,
      sets.map((set) => set.id),
    );
    const fresh = sets.filter((set) => !known.has(set.id));
    const days = fresh.map((set) => set.trainingDay).sort();
    return {
      ...{ rows, sets: fresh.length, known: known.size },
      sessions: new Set(fresh.map((set) => set.sessionId)).size,
      lifters: new Set(fresh.map((set) => set.lifterId)).size,
      ...{ from: days[0] ?? null, to: days.at(-1) ?? null },
      ...{ faults: faults.slice(0, FAULTS_TOLD), leftOut: faults.length },
    };
  }

  private async read(club: ClubRef, body: TrainingImportRequest): Promise<Read> {
    const { columns, unit, order, noGrip } = body;
    const kit = await this.kit.at(club.id, body.venueId);
    if (!kit) throw invalid('venueId', 'Choose a venue of the club that has a bar.');
    const whoIs = await this.whoIs(club, body);
    const [table, rows] = understood(() => {
      const found = readTable(body.text);
      const options = { columns: { ...columns }, unit, order, noGrip, today: this.days.today(club) };
      return [found, readTrainingRows(found, options)] as const;
    });
    const faults: ImportFault[] = [];
    const byDay = new Map<string, { readonly lifterId: string; readonly sets: ReadSets[] }>();
    for (const row of rows) {
      if (row.fault !== undefined) {
        faults.push({ line: row.line, fault: row.fault });
        continue;
      }
      const lifterId = whoIs.get(row.lifter.toLowerCase());
      if (!lifterId) {
        faults.push({
          line: row.line,
          fault: row.lifter ? `Nobody of the club is “${row.lifter}”.` : 'Nobody is named.',
        });
        continue;
      }
      const key = `${lifterId} ${row.day}`;
      const day = byDay.get(key) ?? { lifterId, sets: [] };
      day.sets.push(row);
      byDay.set(key, day);
    }
    const brought = [...byDay.values()].map(({ lifterId, sets }) => this.dayOf(club, kit, lifterId, sets));
    return {
      rows: table.rows.length,
      faults,
      sessions: brought.flatMap((each) => each.sessions),
      sets: brought.flatMap((each) => each.sets),
    };
  }

  /** Lifters of the club by the names of the file, in small letters. */
  private async whoIs(
    club: ClubRef,
    { lifters }: TrainingImportRequest,
  ): Promise<ReadonlyMap<string, string>> {
    const known = new Map<string, string>();
    for (const { name, lifterId } of lifters)
      if (lifterId) {
        await this.lifters.known(club.id, lifterId);
        known.set(name.toLowerCase(), lifterId);
      }
    return known;
  }

  /** One day of one lifter: a session with its sets in the order of the file. */
  private dayOf(club: ClubRef, kit: VenueKit, lifterId: string, rows: readonly ReadSets[]): Brought {
    const [{ day }] = rows as [ReadSets];
    const sessionId = idOf('session', club.id, lifterId, day);
    // Each set a record of its own, also where one row tells of several.
    const each = rows.flatMap((row) => Array.from({ length: row.sets }, () => ({ ...row })));
    const roles = new Map<ReadSets, LoggedSet['role']>();
    for (const liftId of new Set(each.map((row) => row.liftId))) {
      const here = each.filter((row) => row.liftId === liftId);
      rolesOfLoads(here.map((row) => row.load)).forEach((role, i) => roles.set(here[i]!, role));
    }
    const seen = new Map<string, number>();
    const start = instantOf(club.timeZone, day, HOUR).getTime();
    const sets = each.map((row, place): LoggedSet => {
      const { liftId, load, reps, grip, strapped, slippedAtRep } = row;
      const says = [lifterId, day, liftId, load.toFixed(3), reps, grip, strapped, slippedAtRep].join(' ');
      // The third of three equal sets is the third in every file that tells of them.
      const nth = (seen.get(says) ?? 0) + 1;
      seen.set(says, nth);
      return {
        ...{ id: idOf('set', club.id, says, String(nth)), clubId: club.id, lifterId, sessionId },
        ...{ trainingDay: day, doneAt: new Date(start + place * MINUTES_A_SET * 60_000) },
        ...{
          liftId,
          load,
          reps,
          grip,
          strapped,
          slippedAtRep,
          role: roles.get(row)!,
          style: 'reset',
        },
        ...{ sideUnder: null, chalk: row.chalk ?? kit.venue.chalk, barId: kit.bar.id, seconds: null },
        ...{ diameter: closedOn(liftId, kit.bar.diameter), plannedSetId: null, undoneAt: null },
        ...{ pain: null, confidence: null, cause: null, signs: [], sweat: false, loggedBy: null },
        note: row.note === '' ? null : row.note,
      };
    });
    const session = this.training.past({
      ...{
        id: sessionId,
        clubId: club.id,
        lifterId,
        venueId: kit.venue.id,
        heldOn: day,
        title: 'Past training',
      },
    });
    return { sessions: [session], sets };
  }
}

/** The same row has the same id, whichever file it comes from. */
const idOf = (...words: readonly string[]): string =>
  derivedId(JSON.stringify(['iron-clasp import', ...words]));

/** What the core cannot use is said of the field that it came from. */
function understood<Answer>(read: () => Answer): Answer {
  try {
    return read();
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    throw invalid(error.field, `${error.field} must be ${error.allowed}.`);
  }
}
