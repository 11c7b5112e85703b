import { Injectable } from '@nestjs/common';
import { readGripperRows, readSqueezeRows, type ReadAttempt, type ReadSqueeze } from '@iron-clasp/core';
import type { FileImportRequest, ImportFault } from '@iron-clasp/contract';
import { instantOf, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { invalid } from '../../platform/http/problem.ts';
import type { GripperAttemptRow } from '../../records/grippers/gripper-attempt.entity.ts';
import { WORKING_PROTOCOL } from '../../evidence/squeeze/squeeze-tests.ts';
import { NOTHING_BROUGHT } from '../../records/imports/imports.service.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import type { SqueezeTestRow } from '../../records/squeeze/squeeze.entity.ts';
import { SqueezeService } from '../../records/squeeze/squeeze.service.ts';
import {
  byDay,
  HOUR,
  idOf,
  placesOfEqual,
  sorted,
  understood,
  type ReadFile,
  type Whose,
  type WhoIs,
} from './read-rows.ts';

/** Seconds from one attempt to the next, where nobody noted them. */
const SECONDS_AN_ATTEMPT = 90;

/** What one hand did, from a table: gripper attempts, and squeeze scores. */
@Injectable()
export class HandFiles {
  constructor(
    private readonly kit: KitService,
    private readonly squeeze: SqueezeService,
    private readonly days: Days,
  ) {}

  async readAttempts(club: ClubRef, body: FileImportRequest, whoIs: WhoIs): Promise<ReadFile> {
    const [table, rows] = understood(body.text, (found) => readGripperRows(found, this.options(club, body)));
    const { ladder } = await this.kit.grippers(club.id);
    const named = new Map(ladder.map(({ id, name }) => [name.toLowerCase(), id]));
    const { good, faults } = sorted(rows, whoIs);
    const known: (typeof good)[number][] = [];
    for (const row of good)
      if (named.has(row.gripper.toLowerCase())) known.push(row);
      else
        faults.push({
          line: row.line,
          fault: `No gripper of the club is “${row.gripper}”. Add it under Kit first.`,
        });
    const attempt = byDay(known).flatMap((day) => attemptsOf(club, day, named));
    return { rows: table.rows.length, faults: inOrder(faults), brought: { ...NOTHING_BROUGHT, attempt } };
  }

  async readSqueezes(club: ClubRef, body: FileImportRequest, whoIs: WhoIs): Promise<ReadFile> {
    const protocol =
      body.protocolId === undefined
        ? { id: null, protocol: WORKING_PROTOCOL }
        : await this.squeeze.protocol(club.id, body.protocolId);
    if (!protocol) throw invalid('protocolId', 'Choose how the squeezes were taken: a protocol of the club.');
    const [table, rows] = understood(body.text, (found) => readSqueezeRows(found, this.options(club, body)));
    const { good, faults } = sorted(rows, whoIs);
    const test = byDay(good).map((day) => testOf(club, day, protocol));
    return { rows: table.rows.length, faults, brought: { ...NOTHING_BROUGHT, test } };
  }

  private options(
    club: ClubRef,
    { columns, order }: FileImportRequest,
  ): Parameters<typeof readGripperRows>[1] {
    return { columns: { ...columns }, order, today: this.days.today(club) };
  }
}

const inOrder = (faults: readonly ImportFault[]): ImportFault[] =>
  [...faults].sort((a, b) => a.line - b.line);

/** Attempts of one lifter on one day. */
function attemptsOf(
  club: ClubRef,
  rows: readonly Whose<ReadAttempt>[],
  named: ReadonlyMap<string, string>,
): GripperAttemptRow[] {
  const placeOf = placesOfEqual();
  return rows.map(({ lifterId, day, gripper, hand, closed, gapMm, seconds, note }, place) => {
    const gripperId = named.get(gripper.toLowerCase())!;
    const says = [lifterId, day, gripperId, hand, closed, gapMm, seconds].join(' ');
    const start = instantOf(club.timeZone, day, HOUR).getTime();
    return {
      ...{ id: idOf('attempt', club.id, says, placeOf(says)), clubId: club.id, lifterId, gripperId, hand },
      ...{ depth: 'open', closed, gapMm, seconds, note: note === '' ? null : note, trainingDay: day },
      ...{ doneAt: new Date(start + place * SECONDS_AN_ATTEMPT * 1000), loggedBy: null, undoneAt: null },
    };
  });
}

/** The trials of one lifter on one day are one test. */
function testOf(
  club: ClubRef,
  rows: readonly Whose<ReadSqueeze>[],
  { id: protocolId, protocol }: Pick<SqueezeTestRow, 'protocol'> & { readonly id: string | null },
): SqueezeTestRow {
  const [{ lifterId, day }] = rows as [Whose<ReadSqueeze>];
  const note = [...new Set(rows.map((row) => row.note))].filter(Boolean).join('; ').slice(0, 500);
  return {
    ...{ id: idOf('squeeze', club.id, lifterId, day), clubId: club.id, lifterId, sessionId: null },
    ...{ protocolId, protocol, testedOn: day, testedAt: instantOf(club.timeZone, day, HOUR) },
    trials: rows.map(({ hand, force }) => ({ hand, force, reading: null })),
    ...{ contractions: null, source: 'file', note: note === '' ? null : note },
    ...{ easingDeclined: false, declinedBy: null, loggedBy: null, undoneAt: null },
  };
}
