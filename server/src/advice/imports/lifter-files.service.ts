import { Injectable } from '@nestjs/common';
import { readLifterRows } from '@iron-clasp/core';
import type { FileImportRequest, ImportFault } from '@iron-clasp/contract';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { NOTHING_BROUGHT } from '../../records/imports/imports.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { ProfilesService } from '../profiles/profiles.service.ts';
import { idOf, understood, type ReadFile } from './read-rows.ts';

/** New lifters from a table of names. */
@Injectable()
export class LifterFiles {
  constructor(
    private readonly lifters: LiftersService,
    private readonly profiles: ProfilesService,
  ) {}

  async read(club: ClubRef, { text, columns, unit }: FileImportRequest): Promise<ReadFile> {
    const [table, rows] = understood(text, (found) =>
      readLifterRows(found, { columns: { ...columns }, unit }),
    );
    const here = new Map(
      (await this.lifters.onRack(club.id)).map(({ id, name }) => [name.toLowerCase(), id]),
    );
    const faults: ImportFault[] = [];
    const fresh = rows.flatMap((row) => {
      if (row.fault !== undefined) {
        faults.push(row);
        return [];
      }
      const { line, name, deadliftMax, bodyMass, sport } = row;
      const id = idOf('lifter', club.id, name.toLowerCase());
      // Brought in before by the same file they count as known, not as wrong.
      if ((here.get(name.toLowerCase()) ?? id) !== id) {
        faults.push({ line, fault: `${name} is in the club already.` });
        return [];
      }
      return [{ id, name, deadliftMax, unit, sport: sport ?? ('powerlifting' as const), bodyMass }];
    });
    return {
      ...{ rows: table.rows.length, faults },
      brought: { ...NOTHING_BROUGHT, lifter: this.profiles.fresh(club, fresh) },
    };
  }
}
