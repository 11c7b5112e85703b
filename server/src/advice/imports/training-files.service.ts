import { Injectable } from '@nestjs/common';
import { closedOn, readTrainingRows, rolesOfLoads, type ReadSets } from '@iron-clasp/core';
import type { FileImportRequest } from '@iron-clasp/contract';
import { instantOf, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { invalid } from '../../platform/http/problem.ts';
import { NOTHING_BROUGHT, type Brought } from '../../records/imports/imports.service.ts';
import { KitService, type VenueKit } from '../../records/kit/kit.service.ts';
import type { LoggedSet } from '../../records/log/log.entity.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import {
  byDay,
  HOUR,
  idOf,
  placesOfEqual,
  sorted,
  understood,
  type ReadFile,
  type WhoIs,
} from './read-rows.ts';

/** Minutes from one set to the next, where nobody noted them. */
const MINUTES_A_SET = 3;

/** Past training from a table of sets. */
@Injectable()
export class TrainingFiles {
  constructor(
    private readonly kit: KitService,
    private readonly training: TrainingService,
    private readonly days: Days,
  ) {}

  async read(club: ClubRef, body: FileImportRequest, whoIs: WhoIs): Promise<ReadFile> {
    const { columns, unit, order, noGrip, venueId } = body;
    const kit = venueId && (await this.kit.at(club.id, venueId));
    if (!kit) throw invalid('venueId', 'Choose a venue of the club that has a bar.');
    const options = { columns: { ...columns }, unit, order, noGrip, today: this.days.today(club) };
    const [table, rows] = understood(body.text, (found) => readTrainingRows(found, options));
    const { good, faults } = sorted(rows, whoIs);
    const days = byDay(good).map((day) => this.dayOf(club, kit, day[0]!.lifterId, day));
    return {
      ...{ rows: table.rows.length, faults },
      brought: {
        ...NOTHING_BROUGHT,
        session: days.flatMap((each) => each.session),
        set: days.flatMap((each) => each.set),
      },
    };
  }

  /** One day of one lifter: a session with its sets in the order of the file. */
  private dayOf(
    club: ClubRef,
    kit: VenueKit,
    lifterId: string,
    rows: readonly ReadSets[],
  ): Pick<Brought, 'session' | 'set'> {
    const [{ day }] = rows as [ReadSets];
    const sessionId = idOf('session', club.id, lifterId, day);
    // Each set a record of its own, also where one row tells of several.
    const each = rows.flatMap((row) => Array.from({ length: row.sets }, () => ({ ...row })));
    const roles = new Map<ReadSets, LoggedSet['role']>();
    for (const liftId of new Set(each.map((row) => row.liftId))) {
      const here = each.filter((row) => row.liftId === liftId);
      rolesOfLoads(here.map((row) => row.load)).forEach((role, i) => roles.set(here[i]!, role));
    }
    const placeOf = placesOfEqual();
    const start = instantOf(club.timeZone, day, HOUR).getTime();
    const sets = each.map((row, place): LoggedSet => {
      const { liftId, load, reps, grip, strapped, slippedAtRep, seconds } = row;
      const says = [
        lifterId,
        day,
        liftId,
        load.toFixed(3),
        reps,
        grip,
        strapped,
        slippedAtRep,
        ...(seconds === null ? [] : [seconds]),
      ].join(' ');
      return {
        ...{ id: idOf('set', club.id, says, placeOf(says)), clubId: club.id, lifterId, sessionId },
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
        ...{ sideUnder: null, chalk: row.chalk ?? kit.venue.chalk, barId: kit.bar.id, seconds },
        ...{
          diameter: closedOn(liftId, kit.bar.diameter),
          plannedSetId: null,
          undoneAt: null,
          undoneBy: null,
        },
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
    return { session: [session], set: sets };
  }
}
