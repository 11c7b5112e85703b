import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { Injectable } from '@nestjs/common';
import { DEFAULT_THRESHOLDS, findSchool, usualHookStage, type Sport } from '@iron-clasp/core';
import {
  ASKED_LATER,
  type HookStageRequest,
  type KnownHistory,
  type LifterRequest,
} from '@iron-clasp/contract';
import { isUUID } from 'class-validator';
import { format, parseISO, subYears } from 'date-fns';
import type { EntityManager } from 'typeorm';
import { Clock } from '../../platform/clock/clock.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { changedMeanwhile, invalid } from '../../platform/http/problem.ts';
import type { FieldValue, Lifter, LifterChange } from '../../records/lifters/lifter.entity.ts';
import { LiftersService, type LifterContent } from '../../records/lifters/lifters.service.ts';
import { SchoolsService } from '../../records/schools/schools.service.ts';

/** The school that a sport usually starts from. */
const SCHOOL_BY_SPORT: Readonly<Record<Sport, string>> = {
  weightlifting: 'weightlifting',
  strongman: 'strongman',
  powerlifting: 'same-grip',
  generalStrength: 'overhand-first',
  other: 'overhand-first',
};
/** Training taken for granted until somebody says, years. */
const USUAL_YEARS = 2;

/** What is asked of a lifter first. */
export type FirstAnswers = Pick<LifterRequest, 'name' | 'deadliftMax' | 'sport' | 'unit'> & {
  readonly id: string;
  readonly bodyMass?: number | null;
};

/** Lifters as coaches write them: what was never said keeps its usual value, and what changed stays on record. */
@Injectable()
export class ProfilesService {
  constructor(
    private readonly lifters: LiftersService,
    private readonly schools: SchoolsService,
    private readonly clock: Clock,
    private readonly days: Days,
  ) {}

  /** Adds a lifter, or changes one that is still at the version the editor saw. The same content again changes nothing. */
  async save(club: ClubRef, by: string, id: string, body: LifterRequest): Promise<void> {
    const before = await this.lifters.find(club.id, id);
    const known = before ? await this.lifters.history(id) : [];
    const school = await this.schoolOf(club.id, body, before);
    const content = this.written(club, body, before, school);
    const history = body.history ?? known;
    const version = body.version + 1;
    const changes = before
      ? changesOf({ before, history: known }, { content, history }, { by, at: this.clock.now(), version })
      : [];
    await this.lifters.save(club.id, id, body.version, content, history, changes);
  }

  /** Adds new lifters of whom only the first answers are known, as part of something larger. */
  async addNew(
    manager: EntityManager,
    club: ClubRef,
    lifters: readonly (Pick<LifterRequest, 'name' | 'deadliftMax' | 'unit'> & { readonly id: string })[],
  ): Promise<void> {
    const asked = lifters.map((each) => ({ ...each, sport: 'powerlifting' as const }));
    await this.lifters.addMany(manager, this.fresh(club, asked), []);
  }

  /** New lifters as they are kept, of whom only the first answers are known. */
  fresh(club: ClubRef, lifters: readonly FirstAnswers[]): Lifter[] {
    return lifters.map(({ id, bodyMass = null, ...answers }): Lifter => {
      const school = { schoolId: SCHOOL_BY_SPORT[answers.sport], clubSchoolId: null };
      const body = { ...answers, version: 0, ...(bodyMass !== null && { bodyMass }) };
      return {
        ...this.written(club, body, null, school),
        ...{ id, clubId: club.id, version: 1, archivedAt: null },
      };
    });
  }

  /** Archives a lifter, or takes one back; repeated it changes nothing. */
  async archive(club: ClubRef, by: string, id: string, archived: boolean, seen: number): Promise<void> {
    const known = await this.lifters.known(club.id, id);
    if ((known.archivedAt !== null) === archived) return;
    const at = this.clock.now();
    const change = changed(id, 'archived', !archived, archived, { by, at, version: seen + 1 });
    await this.lifters.changeOne(club.id, id, seen, { archivedAt: archived ? at : null }, change);
  }

  /** Moves the hook from the stage that was seen to another; repeated it changes nothing. */
  async moveHook(club: ClubRef, by: string, id: string, { from, to }: HookStageRequest): Promise<void> {
    const known = await this.lifters.known(club.id, id);
    if (known.hookStage === to) return;
    if (known.hookStage !== from) throw changedMeanwhile('lifter');
    const { version, unanswered } = known;
    const change = changed(id, 'hookStage', from, to, { by, at: this.clock.now(), version: version + 1 });
    const said = { hookStage: to, unanswered: unanswered.filter((field) => field !== 'hookStage') };
    await this.lifters.changeOne(club.id, id, version, said, change);
  }

  /** The school that is asked for, the club's own copy with the original it was made from; else the one before, or the usual. */
  private async schoolOf(
    clubId: string,
    { schoolId, sport }: LifterRequest,
    before: Lifter | null,
  ): Promise<Pick<Lifter, 'schoolId' | 'clubSchoolId'>> {
    if (schoolId === undefined) {
      return before ?? { schoolId: SCHOOL_BY_SPORT[sport], clubSchoolId: null };
    }
    if (schoolId !== '' && findSchool(schoolId)) return { schoolId, clubSchoolId: null };
    const own = isUUID(schoolId) ? await this.schools.find(clubId, schoolId) : null;
    if (!own || (own.archivedAt && before?.clubSchoolId !== own.id))
      throw invalid('schoolId', 'Choose one of the schools of the practice book, or a copy of your club’s.');
    return { schoolId: own.basedOn, clubSchoolId: own.id };
  }

  /** The lifter as the coach has written them now; what was never said keeps its usual value. */
  private written(
    club: ClubRef,
    body: LifterRequest,
    before: Lifter | null,
    school: Pick<Lifter, 'schoolId' | 'clubSchoolId'>,
  ): LifterContent {
    const given = ASKED_LATER.filter((field) => body[field] !== undefined);
    const usual = {
      dominantHand: 'right',
      stance: 'conventional',
      trainingSince: format(subYears(parseISO(this.days.today(club)), USUAL_YEARS), 'yyyy-MM-dd'),
    } as const;
    const base = before ?? usual;
    const bestPulled = body.bestPulled ?? before?.bestPulled ?? 'notSaid';
    // While nobody has said it, it is as what else is known has it; what has begun since stays.
    const hookStage =
      before && (before.hookStage !== 'none' || !before.unanswered.includes('hookStage'))
        ? before.hookStage
        : usualHookStage({ sport: body.sport, pulled: bestPulled });
    return {
      name: body.name,
      sport: body.sport,
      sportWords: body.sportWords ?? before?.sportWords ?? '',
      deadliftMax: body.deadliftMax,
      unit: body.unit ?? before?.unit ?? 'kg',
      dominantHand: body.dominantHand ?? base.dominantHand,
      stance: body.stance ?? base.stance,
      largeThighs: body.largeThighs ?? before?.largeThighs ?? false,
      trainingSince: body.trainingSince ?? base.trainingSince,
      schoolId: school.schoolId,
      clubSchoolId: school.clubSchoolId,
      hookStage: body.hookStage ?? hookStage,
      thresholds: body.thresholds ?? before?.thresholds ?? DEFAULT_THRESHOLDS,
      handLength: kept(body.handLength, before?.handLength),
      handSpan: kept(body.handSpan, before?.handSpan),
      bodyMass: kept(body.bodyMass, before?.bodyMass),
      usualReps: kept(body.usualReps, before?.usualReps),
      deadliftOn: kept(body.deadliftOn, before?.deadliftOn),
      bestPulled,
      bestChalk: kept(body.bestChalk, before?.bestChalk),
      practisedUnder: kept(body.practisedUnder, before?.practisedUnder),
      alternation: body.alternation ?? before?.alternation ?? 'lightBySession',
      thumbFingers: kept(body.thumbFingers, before?.thumbFingers),
      clenches: body.clenches ?? before?.clenches ?? false,
      armsBendUnderMixed: body.armsBendUnderMixed ?? before?.armsBendUnderMixed ?? false,
      bestLifts:
        body.bestLifts?.map(({ liftId, load, on }) => ({ liftId, load, on })) ?? before?.bestLifts ?? [],
      unanswered: (before?.unanswered ?? [...ASKED_LATER]).filter(
        (field) => !(given as readonly string[]).includes(field),
      ),
    };
  }
}

/** What is sent, null included; what is not sent stays. */
function kept<Value>(sent: Value | null | undefined, before: Value | null | undefined): Value | null {
  return sent === undefined ? (before ?? null) : sent;
}

const FIELDS = [
  'name',
  'sport',
  'sportWords',
  'deadliftMax',
  'unit',
  'dominantHand',
  'stance',
  'largeThighs',
  'trainingSince',
  'hookStage',
  'thresholds',
  'handLength',
  'handSpan',
  'bodyMass',
  'usualReps',
  'deadliftOn',
  'bestPulled',
  'bestChalk',
  'practisedUnder',
  'alternation',
  'thumbFingers',
  'clenches',
  'armsBendUnderMixed',
  'bestLifts',
] as const;

/** Who changed a lifter, when, and into which version. */
interface ChangedBy {
  readonly by: string;
  readonly at: Date;
  readonly version: number;
}

function changesOf(
  { before, history }: { before: Lifter; history: readonly KnownHistory[] },
  next: { content: LifterContent; history: readonly KnownHistory[] },
  who: ChangedBy,
): LifterChange[] {
  const { content } = next;
  const fields = FIELDS.filter((field) => !isDeepStrictEqual(before[field], content[field])).map((field) =>
    changed(before.id, field, before[field], content[field], who),
  );
  const [was, is] = [before.clubSchoolId ?? before.schoolId, content.clubSchoolId ?? content.schoolId];
  if (was !== is) fields.push(changed(before.id, 'schoolId', was, is, who));
  const plain = (flags: readonly KnownHistory[]): KnownHistory[] =>
    flags
      .map(({ kind, side, since, cleared }) => ({
        kind,
        cleared,
        ...(side && { side }),
        ...(since && { since }),
      }))
      .sort((a, b) => `${a.kind}${a.side}`.localeCompare(`${b.kind}${b.side}`));
  return isDeepStrictEqual(plain(history), plain(next.history))
    ? fields
    : [...fields, changed(before.id, 'history', history, next.history, who)];
}

function changed(
  lifterId: string,
  field: string,
  before: FieldValue,
  after: FieldValue,
  { by, at, version }: ChangedBy,
): LifterChange {
  return { id: randomUUID(), lifterId, changedBy: by, changedAt: at, version, field, before, after };
}
