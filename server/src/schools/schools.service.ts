import { isDeepStrictEqual } from 'node:util';
import { Injectable } from '@nestjs/common';
import { checkSchool, findSchool, SET_ROLES, type School } from '@iron-clasp/core';
import type { ClubSchoolView, SchoolRequest, SchoolsView } from '@iron-clasp/contract';
import { Clock } from '../clock.ts';
import { notFound, Problem } from '../http/problem.ts';
import { PointEvidenceService } from './point-evidence.service.ts';
import { SchoolsRepository, type KnownClubSchool } from './schools.repository.ts';

const CHANGED_MEANWHILE =
  'Somebody changed this school since the page was opened. Nothing of yours was saved or lost: look at theirs, then save again.';

@Injectable()
export class SchoolsService {
  constructor(
    private readonly schools: SchoolsRepository,
    private readonly evidence: PointEvidenceService,
    private readonly clock: Clock,
  ) {}

  async all(clubId: string): Promise<ClubSchoolView[]> {
    return (await this.schools.all(clubId)).map(view);
  }

  async withEvidence(clubId: string): Promise<SchoolsView> {
    const [own, evidence] = await Promise.all([this.all(clubId), this.evidence.all(clubId)]);
    return { own, evidence };
  }

  /** Adds a copy, or changes one that is still at the version its editor saw. The same content again changes nothing. */
  async save(clubId: string, accountId: string, id: string, body: SchoolRequest): Promise<ClubSchoolView> {
    if (body.basedOn === '' || !findSchool(body.basedOn)) {
      const message = 'Copy one of the schools of the practice book.';
      throw new Problem(400, 'invalid-input', message, [{ path: 'basedOn', message }]);
    }
    checkSchool(body.school);
    // A copy is its own school: what it calls is told apart from the original's by its id.
    const school = onlyKnown(body.school, id);
    const known = await this.schools.find(clubId, id);
    if (known && isDeepStrictEqual(known.school, school)) return this.one(clubId, id);
    const stale = known ? known.version !== body.version : body.version !== 0;
    const written = {
      ...{ id, clubId, school },
      basedOn: known?.basedOn ?? body.basedOn,
      version: body.version + 1,
      archivedAt: known?.archivedAt ?? null,
    };
    if (stale || !(await this.schools.save(written, accountId, this.clock.now())))
      throw known || body.version > 0
        ? new Problem(409, 'changed-meanwhile', CHANGED_MEANWHILE)
        : notFound('school');
    return this.one(clubId, id);
  }

  /** Puts a copy aside or takes it back; one that lifters follow stays. */
  async archive(clubId: string, id: string, archived: boolean, version: number): Promise<ClubSchoolView> {
    const known = await this.one(clubId, id);
    if (known.archived === archived) return known;
    if (archived && known.followers > 0)
      throw new Problem(
        409,
        'school-followed',
        `${known.followers} ${known.followers === 1 ? 'lifter follows' : 'lifters follow'} ${known.school.name}. Let them follow another school first.`,
      );
    if (!(await this.schools.archive(clubId, id, archived ? this.clock.now() : null, version)))
      throw new Problem(409, 'changed-meanwhile', CHANGED_MEANWHILE);
    return this.one(clubId, id);
  }

  private async one(clubId: string, id: string): Promise<ClubSchoolView> {
    const found = (await this.all(clubId)).find((each) => each.id === id);
    if (!found) throw notFound('school');
    return found;
  }
}

function view({ followers, changedBy, changedAt, ...own }: KnownClubSchool): ClubSchoolView {
  const { id, version, basedOn, archivedAt, school } = own;
  return {
    ...{ id, version, basedOn, school, followers, changedBy },
    archived: archivedAt !== null,
    changedAt: changedAt?.toISOString() ?? null,
  };
}

/** Nothing is stored that the core does not know. */
function onlyKnown(school: School, id: string): School {
  const { name, summary, ladder, ladderReason, strapsFirst, strapsLast, strapsNotBeforeMonths } = school;
  const { soreHands, strapFits, hold } = school;
  return {
    ...{ id, summary: summary.trim(), ladderReason, strapsNotBeforeMonths },
    name: name.trim(),
    ladder: Object.fromEntries(SET_ROLES.map((role) => [role, ladder[role]])) as unknown as School['ladder'],
    strapsFirst: strapsFirst.map(({ id: policy, when, reason }) => ({ id: policy, when, reason })),
    strapsLast: strapsLast && { id: strapsLast.id, when: strapsLast.when, reason: strapsLast.reason },
    soreHands: { straps: soreHands.straps, reason: soreHands.reason },
    strapFits: strapFits.map(({ id: policy, when, fit }) => ({ id: policy, when, fit })),
    hold: {
      sets: hold.sets,
      seconds: hold.seconds,
      rest: hold.rest,
      effort: hold.effort,
      reason: hold.reason,
    },
  };
}
