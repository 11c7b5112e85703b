import { Injectable } from '@nestjs/common';
import type { PersonView, StaffRole } from '@iron-clasp/contract';
import { addDays } from 'date-fns';
import { DataSource, type EntityManager } from 'typeorm';
import { GuessLimit } from '../../platform/access/guess-limit.ts';
import { Clock } from '../../platform/clock/clock.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { invalid, notFound, Problem } from '../../platform/http/problem.ts';
import { ClubsService } from '../clubs/clubs.service.ts';
import type { Account, PasswordLink } from './account.entity.ts';
import { AccountsRepository } from './accounts.repository.ts';
import { checkStrength } from './password-strength.ts';
import { hashPassword } from './passwords.ts';
import { freshSecret, hashOf, shownOnce, type MadeSecret } from './secrets.ts';

/** Days that a way to a new password can be taken. */
const PASSWORD_LINK_DAYS = 2;

const LINK_GONE =
  'This link has run out, was used, or was never made. Ask an owner of your club for a new one.';

/** The people of a club, as its owners keep them. */
@Injectable()
export class PeopleService {
  constructor(
    private readonly db: DataSource,
    private readonly accounts: AccountsRepository,
    private readonly clubs: ClubsService,
    private readonly limit: GuessLimit,
    private readonly clock: Clock,
    private readonly days: Days,
  ) {}

  /** Everybody who signs in to the club, by name. */
  async list(clubId: string): Promise<PersonView[]> {
    const people = await this.accounts.ofClub(clubId);
    const seen = await this.accounts.seen(people.map(({ id }) => id));
    return people.map(({ id, name, email, role, endsOn, version }) => ({
      ...{ id, name, email, role, endsOn, version, seenAt: seen.get(id)?.toISOString() ?? null },
    }));
  }

  /** Changes what somebody of the staff may do and until when, at the version that the owner saw. */
  async change(
    club: ClubRef,
    id: string,
    seen: number,
    { role, endsOn }: { readonly role: StaffRole; readonly endsOn: string | null },
  ): Promise<void> {
    const account = await this.staff(club.id, id);
    checkEnd(endsOn, this.days.today(club));
    await this.db.transaction(async (manager) => {
      if (account.role === 'owner' && (role !== 'owner' || endsOn !== null))
        await this.notTheLast(manager, account);
      await this.accounts.saveRole(manager, { clubId: club.id, id, version: seen, role, endsOn });
    });
  }

  /** Takes an account back; what it signed keeps its name. Repeated it changes nothing. */
  async remove(club: ClubRef, id: string): Promise<void> {
    const account = await this.accounts.ofClubById(club.id, id);
    if (!account) {
      const [gone] = await this.accounts.byIds([id]);
      if (gone?.clubId === club.id && gone.removedAt) return;
      throw notFound('person');
    }
    if (account.role === 'lifter')
      throw new Problem(409, 'lifters-account', 'A lifter’s account is taken back on the lifter’s profile.');
    await this.db.transaction(async (manager) => {
      if (account.role === 'owner') await this.notTheLast(manager, account);
      await this.accounts.remove(manager, id, this.clock.now());
    });
  }

  /** Makes a way to a new password, for an owner to hand over; its secret is told this once. */
  async passwordLink(clubId: string, by: string, accountId: string, id: string): Promise<MadeSecret> {
    if (!(await this.accounts.ofClubById(clubId, accountId))) throw notFound('person');
    const [secret, madeAt] = [freshSecret(), this.clock.now()];
    const expiresAt = addDays(madeAt, PASSWORD_LINK_DAYS);
    const link = { id, clubId, accountId, secretHash: hashOf(secret), madeBy: by, madeAt, expiresAt };
    const made = await this.db.transaction((manager) =>
      this.accounts.addPasswordLink(manager, { ...link, takenAt: null, revokedAt: null }),
    );
    if (!made) throw shownOnce('link');
    return { secret, expiresAt };
  }

  /** Whose password a link changes. */
  async byPasswordLink(secret: string): Promise<{ account: Account; club: { readonly name: string } }> {
    const { account, club } = await this.openLink(secret);
    return { account, club };
  }

  /**
   * Sets a new password by a link: signs every device out, and drops the second factor, since who lost a phone lost both.
   */
  async setPassword(
    secret: string,
    password: string,
  ): Promise<{ account: Account; club: { readonly name: string } }> {
    const { link, account, club } = await this.openLink(secret);
    await checkStrength(password, [account.name, account.email, club.name]);
    const passwordHash = await hashPassword(password);
    const taken = await this.db.transaction(async (manager) => {
      if (!(await this.accounts.takePasswordLink(manager, link.id, this.clock.now()))) return false;
      await this.accounts.saveSecrets(manager, account.id, {
        ...{ passwordHash, secondFactor: null, secondFactorStep: null },
      });
      await this.accounts.endDevices(manager, account.id);
      return true;
    });
    if (!taken) throw new Problem(404, 'link-gone', LINK_GONE);
    await this.limit.forget(account.email);
    return { account, club };
  }

  private async openLink(
    secret: string,
  ): Promise<{ link: PasswordLink; account: Account; club: { readonly name: string } }> {
    const link = await this.accounts.openPasswordLink(hashOf(secret), this.clock.now());
    const account = link && (await this.accounts.ofClubById(link.clubId, link.accountId));
    if (!link || !account) throw new Problem(404, 'link-gone', LINK_GONE);
    return { link, account, club: await this.clubs.byId(link.clubId) };
  }

  private async staff(clubId: string, id: string): Promise<Account> {
    const account = await this.accounts.ofClubById(clubId, id);
    if (!account) throw notFound('person');
    if (account.role === 'lifter')
      throw new Problem(
        409,
        'lifters-account',
        'A lifter’s account goes with the lifter; invite them as staff to give them more.',
      );
    return account;
  }

  /** A club without an owner could never be put right again. */
  private async notTheLast(manager: EntityManager, account: Account): Promise<void> {
    const owners = await this.accounts.owners(manager, account.clubId);
    if (owners.some((each) => each.id !== account.id && each.endsOn === null)) return;
    throw new Problem(
      409,
      'last-owner',
      `${account.name} is the only owner without an end. Make somebody else an owner first.`,
    );
  }
}

/** Refuses an end that has passed. */
export function checkEnd(endsOn: string | null, today: string): void {
  if (endsOn !== null && endsOn < today) throw invalid('endsOn', 'The last day is today or later.');
}
