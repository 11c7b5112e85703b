import { Injectable } from '@nestjs/common';
import { checkSchool, findSchool, SET_ROLES, type School } from '@iron-clasp/core';
import type { ClubSchoolView, SchoolRequest } from '@iron-clasp/contract';
import { Clock } from '../../platform/clock/clock.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { notFound, Problem } from '../../platform/http/problem.ts';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { SchoolsService } from '../../records/schools/schools.service.ts';

/** Copies of schools as a club adjusts them, with who follows them. */
@Injectable()
export class ClubSchoolsService {
  constructor(
    private readonly schools: SchoolsService,
    private readonly lifters: LiftersService,
    private readonly accounts: AccountsService,
    private readonly clock: Clock,
  ) {}

  async all(club: ClubRef): Promise<ClubSchoolView[]> {
    const own = await this.schools.all(club.id);
    const [followers, writers] = await Promise.all([
      this.lifters.followers(club.id),
      this.schools.writers(own),
    ]);
    const names = await this.accounts.names([...writers.values()].map((each) => each.changedBy));
    return own.map(({ id, version, basedOn, school, archivedAt }) => {
      const last = writers.get(id);
      return {
        ...{ id, version, basedOn, school, archived: archivedAt !== null },
        followers: followers.get(id) ?? 0,
        changedBy: (last && names.get(last.changedBy)) ?? null,
        changedAt: last?.changedAt.toISOString() ?? null,
      };
    });
  }

  /** Adds a copy, or changes one that is still at the version its editor saw. The same content again changes nothing. */
  async save(club: ClubRef, by: string, id: string, body: SchoolRequest): Promise<ClubSchoolView> {
    checkSchool(body.school);
    // A copy is its own school: what it calls is told apart from the original's by its id.
    const school = asStored(body.school, id);
    const known = await this.schools.find(club.id, id);
    const basedOn = known?.basedOn ?? findSchool(body.basedOn)!.id;
    await this.schools.save({ id, clubId: club.id, basedOn, school }, body.version, by, this.clock.now());
    return this.one(club, id);
  }

  /** Archives a copy or takes it back; one that lifters follow stays. */
  async archive(club: ClubRef, id: string, archived: boolean, seen: number): Promise<ClubSchoolView> {
    const known = await this.one(club, id);
    if (known.archived === archived) return known;
    if (archived && known.followers > 0)
      throw new Problem(
        409,
        'school-followed',
        `${known.followers} ${known.followers === 1 ? 'lifter follows' : 'lifters follow'} ${known.school.name}. Let them follow another school first.`,
      );
    await this.schools.archive(club.id, id, seen, archived ? this.clock.now() : null);
    return this.one(club, id);
  }

  private async one(club: ClubRef, id: string): Promise<ClubSchoolView> {
    const found = (await this.all(club)).find((each) => each.id === id);
    if (!found) throw notFound('school');
    return found;
  }
}

/** Nothing is stored that the core does not know. */
function asStored(school: School, id: string): School {
  const { name, summary, ladder, ladderReason, strapsFirst, strapsLast, strapsNotBeforeMonths } = school;
  const { soreHands, strapFits, hold } = school;
  return {
    ...{ id, summary: summary.trim(), ladderReason, strapsNotBeforeMonths },
    name: name.trim(),
    ladder: Object.fromEntries(SET_ROLES.map((role) => [role, ladder[role]])) as unknown as School['ladder'],
    strapsFirst: strapsFirst.map(({ id: policy, when, reason }) => ({ id: policy, when, reason })),
    strapsLast: strapsLast && { id: strapsLast.id, when: strapsLast.when, reason: strapsLast.reason },
    ...(school.lastSetBare && { lastSetBare: true }),
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
