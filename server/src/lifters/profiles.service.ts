import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { Injectable } from '@nestjs/common';
import { DEFAULT_THRESHOLDS, findLift, findSchool, HISTORY_KINDS, SET_ROLES, SIDES } from '@iron-clasp/core';
import type {
  ArchivedView,
  BestLift,
  KnownHistory,
  LifterChangesView,
  LifterRequest,
  MeetRequest,
  ProfileView,
} from '@iron-clasp/contract';
import { isUUID } from 'class-validator';
import { format, isValid, parseISO, subYears } from 'date-fns';
import { Clock } from '../clock.ts';
import { pageOf, readKey } from '../http/paging.ts';
import { notFound, Problem } from '../http/problem.ts';
import { SchoolsRepository } from '../schools/schools.repository.ts';
import { SharingRepository } from '../sharing/sharing.repository.ts';
import { Lifter, type FieldValue, type LifterChange } from './lifter.entity.ts';
import { LiftersService } from './lifters.service.ts';
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

/** Entries on one page of a list. */
const PAGE = 50;

const CHANGED_MEANWHILE =
  'Somebody changed this lifter since the page was opened. Nothing of yours was saved or lost: compare the two versions, then save again.';

@Injectable()
export class ProfilesService {
  constructor(
    private readonly lifters: LiftersRepository,
    private readonly service: LiftersService,
    private readonly schools: SchoolsRepository,
    private readonly sharing: SharingRepository,
    private readonly clock: Clock,
  ) {}

  async profile(clubId: string, id: string): Promise<ProfileView> {
    const known = await this.lifters.profile(clubId, id, this.clock.today());
    if (!known) throw notFound('lifter');
    return this.view(known);
  }

  /** A page of the lifters put aside, by name. */
  async archived(clubId: string, after: string | undefined): Promise<ArchivedView> {
    const rows = await this.lifters.archived(clubId, readKey(after), PAGE + 1);
    const { items, next } = pageOf(rows, PAGE, (row) => ({ value: row.name, id: row.id }));
    return { lifters: items, next };
  }

  /** A page of what was changed about a lifter, the latest first. */
  async changes(clubId: string, id: string, before: string | undefined): Promise<LifterChangesView> {
    if (!(await this.lifters.profile(clubId, id, this.clock.today()))) throw notFound('lifter');
    return this.changesPage(id, before);
  }

  private async changesPage(id: string, before?: string): Promise<LifterChangesView> {
    const rows = await this.lifters.changes(id, readKey(before), PAGE + 1);
    const { items, next } = pageOf(rows, PAGE, (row) => ({
      value: new Date(row.at).toISOString(),
      id: row.id,
    }));
    return { changes: items, next };
  }

  /** Adds a lifter, or changes one that is still at the version the editor saw. The same content again changes nothing. */
  async save(clubId: string, accountId: string, id: string, body: LifterRequest): Promise<ProfileView> {
    check(body);
    const known = await this.lifters.profile(clubId, id, this.clock.today());
    const before = known?.lifter;
    const school = await this.schoolOf(clubId, body, before);
    const next = this.written(clubId, id, body, before, school);
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

  /** Writes a meet, new or at the version its editor saw. The same content again changes nothing. */
  async saveMeet(clubId: string, lifterId: string, id: string, body: MeetRequest): Promise<ProfileView> {
    if (!(await this.lifters.profile(clubId, lifterId, this.clock.today()))) throw notFound('lifter');
    const wrong = body.attempts.findIndex((each, i) => i > 0 && each < body.attempts[i - 1]!);
    if (wrong > 0) {
      const message = 'An attempt is never lighter than the one before it.';
      throw new Problem(400, 'invalid-input', message, [{ path: `attempts[${wrong}]`, message }]);
    }
    const known = await this.lifters.meet(lifterId, id);
    const { heldOn, straps, thumbTape, liquidChalk, attempts } = body;
    const content = {
      name: body.name.trim(),
      heldOn,
      straps,
      thumbTape,
      liquidChalk,
      attempts,
      removedAt: null,
    };
    const same = known && isDeepStrictEqual(content, pick(known, content));
    if (!same) {
      const stale = known ? known.version !== body.version : body.version !== 0;
      if (stale || !(await this.lifters.saveMeet({ id, lifterId, version: body.version + 1, ...content })))
        throw new Problem(409, 'changed-meanwhile', MEET_CHANGED);
    }
    return this.profile(clubId, lifterId);
  }

  /** Takes a meet off; repeated it changes nothing. */
  async removeMeet(clubId: string, lifterId: string, id: string): Promise<ProfileView> {
    if (!(await this.lifters.profile(clubId, lifterId, this.clock.today()))) throw notFound('lifter');
    const known = await this.lifters.meet(lifterId, id);
    if (!known) throw notFound('meet');
    const gone = { ...known, version: known.version + 1, removedAt: this.clock.now() };
    if (!known.removedAt && !(await this.lifters.saveMeet(gone)))
      throw new Problem(409, 'changed-meanwhile', MEET_CHANGED);
    return this.profile(clubId, lifterId);
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

  /** The school that is asked for, the club's own copy with the original it was made from; else the one before, or the usual. */
  private async schoolOf(
    clubId: string,
    { schoolId, sport }: LifterRequest,
    before: Lifter | undefined,
  ): Promise<Pick<Lifter, 'schoolId' | 'clubSchoolId'>> {
    if (schoolId === undefined) {
      const usual = SCHOOL_BY_SPORT[sport.trim().toLowerCase()] ?? USUAL_SCHOOL;
      return before ?? { schoolId: usual, clubSchoolId: null };
    }
    if (schoolId !== '' && findSchool(schoolId)) return { schoolId, clubSchoolId: null };
    const own = isUUID(schoolId) ? await this.schools.find(clubId, schoolId) : null;
    if (!own || (own.archivedAt && before?.clubSchoolId !== own.id)) {
      const message = 'Choose one of the schools of the practice book, or a copy of your club’s.';
      throw new Problem(400, 'invalid-input', message, [{ path: 'schoolId', message }]);
    }
    return { schoolId: own.basedOn, clubSchoolId: own.id };
  }

  /** The lifter as the coach has written them now; what was never said keeps its usual value. */
  private written(
    clubId: string,
    id: string,
    body: LifterRequest,
    before: Lifter | undefined,
    school: Pick<Lifter, 'schoolId' | 'clubSchoolId'>,
  ): Lifter {
    const given = ASKED_LATER.filter((field) => body[field] !== undefined);
    const usual = {
      dominantHand: 'right',
      stance: 'conventional',
      trainingSince: format(subYears(this.clock.now(), USUAL_YEARS), 'yyyy-MM-dd'),
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
      schoolId: school.schoolId,
      clubSchoolId: school.clubSchoolId,
      hookStage: body.hookStage ?? base.hookStage,
      thresholds: body.thresholds ?? before?.thresholds ?? DEFAULT_THRESHOLDS,
      handLength: kept(body.handLength, before?.handLength),
      handSpan: kept(body.handSpan, before?.handSpan),
      bodyMass: kept(body.bodyMass, before?.bodyMass),
      usualReps: kept(body.usualReps, before?.usualReps),
      deadliftOn: kept(body.deadliftOn, before?.deadliftOn),
      bestLifts:
        body.bestLifts?.map(({ liftId, load, on }) => ({ liftId, load, on })) ?? before?.bestLifts ?? [],
      version: (before?.version ?? 0) + 1,
      archivedAt: before?.archivedAt ?? null,
      unanswered: (before?.unanswered ?? [...ASKED_LATER]).filter(
        (field) => !(given as readonly string[]).includes(field),
      ),
    };
  }

  private async view(known: LifterProfile): Promise<ProfileView> {
    const { lifter, history } = known;
    const { clubId: _club, archivedAt, clubSchoolId, ...rest } = lifter;
    const [changes, links, account, meets] = await Promise.all([
      this.changesPage(lifter.id),
      this.sharing.links(lifter.id),
      this.sharing.accountOf(lifter.id, this.clock.now()),
      this.lifters.meets(lifter.id, this.clock.today()),
    ]);
    return {
      ...rest,
      schoolId: clubSchoolId ?? lifter.schoolId,
      archived: archivedAt !== null,
      history,
      conflicts: this.service.conflicts(known),
      changes,
      links,
      account,
      meets: meets.map(({ id, version, name, heldOn, straps, thumbTape, liquidChalk, attempts }) => ({
        ...{ id, version, name, heldOn, straps, thumbTape, liquidChalk, attempts },
      })),
    };
  }
}

const MEET_CHANGED =
  'Somebody changed this meet since the page was opened. Nothing of yours was saved or lost: reload to see it, then save again.';

/** The fields of a row that `like` has. */
function pick<Row extends object>(row: Row, like: Partial<Row>): Partial<Row> {
  return Object.fromEntries(Object.keys(like).map((key) => [key, row[key as keyof Row]])) as Partial<Row>;
}

/** What is sent, null included; what is not sent stays. */
function kept<Value>(sent: Value | null | undefined, before: Value | null | undefined): Value | null {
  return sent === undefined ? (before ?? null) : sent;
}

const isDay = (value: unknown): boolean =>
  typeof value === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(value) && isValid(parseISO(value));

/** What the contract cannot see: known schools, thresholds and history. */
function check(body: LifterRequest): void {
  const fields: { path: string; message: string }[] = [];
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
      typeof flag.cleared === 'boolean' &&
      (flag.since === undefined || isDay(flag.since));
    if (!known)
      fields.push({
        path: `history[${i}]`,
        message:
          'Each entry says what it is, which side, whether it is cleared, and since which day if known.',
      });
  });
  body.bestLifts?.forEach((best: Partial<BestLift> | null, i) => {
    const lift = typeof best?.liftId === 'string' && best.liftId !== '' && findLift(best.liftId);
    const load = best?.load;
    if (!lift) fields.push({ path: `bestLifts[${i}].liftId`, message: 'Choose a lift of the catalogue.' });
    else if (typeof load !== 'number' || !(load > 0 && load <= 600))
      fields.push({ path: `bestLifts[${i}].load`, message: 'A best lift is above 0 and at most 600 kg.' });
    else if (best!.on !== null && !isDay(best!.on))
      fields.push({
        path: `bestLifts[${i}].on`,
        message: 'The day of a best lift must be a day, or left out.',
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
  'hookStage',
  'thresholds',
  'handLength',
  'handSpan',
  'bodyMass',
  'usualReps',
  'deadliftOn',
  'bestLifts',
] as const;

function changesOf(
  { lifter, history }: LifterProfile,
  next: Lifter,
  nextHistory: readonly KnownHistory[],
  by: string,
  at: Date,
): LifterChange[] {
  const fields = FIELDS.filter((field) => !isDeepStrictEqual(lifter[field], next[field])).map((field) =>
    changed(next, field, lifter[field], next[field], by, at),
  );
  const [was, is] = [lifter.clubSchoolId ?? lifter.schoolId, next.clubSchoolId ?? next.schoolId];
  if (was !== is) fields.push(changed(next, 'schoolId', was, is, by, at));
  const plain = (flags: readonly KnownHistory[]): KnownHistory[] =>
    flags
      .map(({ kind, side, since, cleared }) => ({
        kind,
        cleared,
        ...(side && { side }),
        ...(since && { since }),
      }))
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
