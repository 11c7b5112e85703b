import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { Injectable } from '@nestjs/common';
import {
  DEFAULT_THRESHOLDS,
  findSchool,
  HISTORY_KINDS,
  SET_ROLES,
  SIDES,
  type HistoryFlag,
} from '@iron-clasp/core';
import type { ArchivedLifter, LifterRequest, ProfileView } from '@iron-clasp/contract';
import { format, subYears } from 'date-fns';
import { Clock } from '../clock.ts';
import { notFound, Problem } from '../http/problem.ts';
import { Lifter, type FieldValue, type LifterChange } from './lifter.entity.ts';
import { LiftersRepository, type LifterProfile } from './lifters.repository.ts';

/** What is asked later, and what stands for it until then. */
const ASKED_LATER = ['dominantHand', 'stance', 'trainingSince', 'schoolId', 'hookStage'] as const;

/** The school that a sport usually starts from. */
const SCHOOL_BY_SPORT: Readonly<Record<string, string>> = {
  weightlifting: 'weightlifting',
  strongman: 'strongman',
  powerlifting: 'same-grip',
};
const USUAL_SCHOOL = 'overhand-first';
/** Training taken for granted until somebody says, years. */
const USUAL_YEARS = 2;

const CHANGED_MEANWHILE =
  'Somebody changed this lifter since the page was opened. Nothing of yours was saved or lost: compare the two versions, then save again.';

@Injectable()
export class ProfilesService {
  constructor(
    private readonly lifters: LiftersRepository,
    private readonly clock: Clock,
  ) {}

  async profile(clubId: string, id: string): Promise<ProfileView> {
    const known = await this.lifters.profile(clubId, id, this.clock.today());
    if (!known) throw notFound('lifter');
    return this.view(known);
  }

  archived(clubId: string): Promise<ArchivedLifter[]> {
    return this.lifters.archived(clubId);
  }

  /** Adds a lifter, or changes one that is still at the version the editor saw. The same content again changes nothing. */
  async save(clubId: string, accountId: string, id: string, body: LifterRequest): Promise<ProfileView> {
    check(body);
    const known = await this.lifters.profile(clubId, id, this.clock.today());
    const before = known?.lifter;
    const next = this.written(clubId, id, body, before);
    const history = body.history ?? known?.history ?? [];
    const changes = known ? changesOf(known, next, history, accountId, this.clock.now()) : [];
    if (known && changes.length === 0 && isDeepStrictEqual(next.unanswered, before!.unanswered))
      return this.view(known);
    const stale = known ? body.version !== known.lifter.version : body.version !== 0;
    if (stale || !(await this.lifters.save(next, history, changes)))
      throw known || body.version > 0
        ? new Problem(409, 'changed-meanwhile', CHANGED_MEANWHILE)
        : notFound('lifter');
    return this.profile(clubId, id);
  }

  async archive(
    clubId: string,
    accountId: string,
    id: string,
    archived: boolean,
    version: number,
  ): Promise<ProfileView> {
    const known = await this.lifters.profile(clubId, id, this.clock.today());
    if (!known) throw notFound('lifter');
    if ((known.lifter.archivedAt !== null) === archived) return this.view(known);
    const now = this.clock.now();
    const next: Lifter = { ...known.lifter, version: version + 1, archivedAt: archived ? now : null };
    const change = changed(next, 'archived', !archived, archived, accountId, now);
    if (version !== known.lifter.version || !(await this.lifters.save(next, known.history, [change])))
      throw new Problem(409, 'changed-meanwhile', CHANGED_MEANWHILE);
    return this.profile(clubId, id);
  }

  /** The lifter as the coach has written them now; what was never said keeps its usual value. */
  private written(clubId: string, id: string, body: LifterRequest, before: Lifter | undefined): Lifter {
    const given = ASKED_LATER.filter((field) => body[field] !== undefined);
    const usual = {
      dominantHand: 'right',
      stance: 'conventional',
      trainingSince: format(subYears(this.clock.now(), USUAL_YEARS), 'yyyy-MM-dd'),
      schoolId: SCHOOL_BY_SPORT[body.sport.trim().toLowerCase()] ?? USUAL_SCHOOL,
      hookStage: 'none',
    } as const;
    const base = before ?? usual;
    return {
      id,
      clubId,
      name: body.name.trim(),
      sport: body.sport.trim(),
      deadliftMax: body.deadliftMax,
      unit: body.unit ?? before?.unit ?? 'kg',
      dominantHand: body.dominantHand ?? base.dominantHand,
      stance: body.stance ?? base.stance,
      trainingSince: body.trainingSince ?? base.trainingSince,
      schoolId: body.schoolId ?? base.schoolId,
      hookStage: body.hookStage ?? base.hookStage,
      thresholds: body.thresholds ?? before?.thresholds ?? DEFAULT_THRESHOLDS,
      version: (before?.version ?? 0) + 1,
      archivedAt: before?.archivedAt ?? null,
      unanswered: (before?.unanswered ?? [...ASKED_LATER]).filter(
        (field) => !(given as readonly string[]).includes(field),
      ),
    };
  }

  private async view({ lifter, history }: LifterProfile): Promise<ProfileView> {
    const { clubId: _club, archivedAt, ...rest } = lifter;
    return {
      ...rest,
      archived: archivedAt !== null,
      history,
      changes: await this.lifters.changes(lifter.id),
    };
  }
}

/** What the contract cannot see: known schools, thresholds and history. */
function check(body: LifterRequest): void {
  const fields: { path: string; message: string }[] = [];
  if (body.schoolId !== undefined && (body.schoolId === '' || !findSchool(body.schoolId)))
    fields.push({ path: 'schoolId', message: 'Choose one of the schools of the practice book.' });
  for (const role of body.thresholds ? SET_ROLES : []) {
    const chance: unknown = body.thresholds![role];
    if (typeof chance !== 'number' || !(chance >= 0.5 && chance <= 0.999))
      fields.push({
        path: `thresholds.${role}`,
        message: 'Each threshold must be a chance from 0.5 to 0.999.',
      });
  }
  body.history?.forEach((flag, i) => {
    const known =
      HISTORY_KINDS.includes(flag?.kind) &&
      (flag.side === undefined || SIDES.includes(flag.side)) &&
      typeof flag.cleared === 'boolean';
    if (!known)
      fields.push({
        path: `history[${i}]`,
        message: 'Each entry says what it is, which side, and whether it is cleared.',
      });
  });
  if (fields.length) throw new Problem(400, 'invalid-input', fields[0]!.message, fields);
}

const FIELDS = [
  'name',
  'sport',
  'deadliftMax',
  'unit',
  'dominantHand',
  'stance',
  'trainingSince',
  'schoolId',
  'hookStage',
  'thresholds',
] as const;

function changesOf(
  { lifter, history }: LifterProfile,
  next: Lifter,
  nextHistory: readonly HistoryFlag[],
  by: string,
  at: Date,
): LifterChange[] {
  const fields = FIELDS.filter((field) => !isDeepStrictEqual(lifter[field], next[field])).map((field) =>
    changed(next, field, lifter[field], next[field], by, at),
  );
  const plain = (flags: readonly HistoryFlag[]): HistoryFlag[] =>
    flags
      .map(({ kind, side, cleared }) => ({ kind, cleared, ...(side && { side }) }))
      .sort((a, b) => `${a.kind}${a.side}`.localeCompare(`${b.kind}${b.side}`));
  return isDeepStrictEqual(plain(history), plain(nextHistory))
    ? fields
    : [...fields, changed(next, 'history', history, nextHistory, by, at)];
}

function changed(
  next: Lifter,
  field: string,
  before: FieldValue,
  after: FieldValue,
  by: string,
  at: Date,
): LifterChange {
  return {
    id: randomUUID(),
    lifterId: next.id,
    changedBy: by,
    changedAt: at,
    version: next.version,
    field,
    before,
    after,
  };
}
