import { randomUUID } from 'node:crypto';
import { Injectable, type OnModuleInit } from '@nestjs/common';
import type {
  InvitedView,
  ProfileView,
  ShareLinkView,
  ShareRequest,
  StaffInvitationRequest,
  StaffRole,
} from '@iron-clasp/contract';
import { addDays } from 'date-fns';
import { DataSource } from 'typeorm';
import { Clock } from '../../platform/clock/clock.ts';
import { Days } from '../../platform/days/days.ts';
import { invalid, notFound, Problem } from '../../platform/http/problem.ts';
import { AccountsService } from '../accounts/accounts.service.ts';
import { checkStrength } from '../accounts/password-strength.ts';
import { checkEnd } from '../accounts/people.service.ts';
import { freshSecret, hashOf, shownOnce, type MadeSecret } from '../accounts/secrets.ts';
import { ClubsService } from '../clubs/clubs.service.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { Club } from '../clubs/club.entity.ts';
import type { Lifter } from '../lifters/lifter.entity.ts';
import type { Invitation, ShareLink } from './sharing.entity.ts';
import { SharingRepository } from './sharing.repository.ts';

/** Days that an invitation can be taken up. */
const INVITATION_DAYS = 7;

/** Days from today that a link shows where nobody has said: a week, and the same day again. */
const USUAL_AHEAD = 8;

const LINK_GONE = 'This link has run out, was taken back, or was never made. Ask your coach for a new one.';

/** What the secret of a link opens: a lifter of a club. */
export interface OpenedLink {
  readonly row: ShareLink;
  /** Null for the calendar of the club. */
  readonly lifter: Lifter | null;
  readonly club: Club;
}

/** What the secret of an invitation opens: the way to an account in a club. */
export interface OpenedInvitation {
  readonly row: Invitation;
  /** Null for somebody of the staff. */
  readonly lifter: Lifter | null;
  /** Of whoever is invited. */
  readonly name: string;
  readonly club: Club;
}

/** Read-only links to a lifter's sessions, and invitations to an account. Only hashes of their secrets are kept. */
@Injectable()
export class SharingService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly sharing: SharingRepository,
    private readonly accounts: AccountsService,
    private readonly clubs: ClubsService,
    private readonly lifters: LiftersService,
    private readonly kept: KeptTables,
    private readonly clock: Clock,
    private readonly days: Days,
  ) {}

  onModuleInit(): void {
    this.kept.register(
      { name: 'share_link', ...OWN, exported: 'never' },
      { name: 'invitation', ...OWN, exported: 'never' },
    );
  }

  /** The links of a lifter, or of the club's calendar, the latest first, with who made and revoked them. */
  async links(clubId: string, lifterId: string | null): Promise<ShareLinkView[]> {
    const rows = await this.sharing.links(clubId, lifterId);
    const names = await this.accounts.names(rows.flatMap((row) => [row.madeBy, row.revokedBy]));
    return rows.map((row) => ({
      id: row.id,
      madeBy: names.get(row.madeBy) ?? '',
      madeAt: row.madeAt.toISOString(),
      expiresAt: row.expiresAt.toISOString(),
      ...{ ahead: row.ahead, health: row.health },
      revoked:
        row.revokedBy && row.revokedAt
          ? { by: names.get(row.revokedBy) ?? '', at: row.revokedAt.toISOString() }
          : null,
    }));
  }

  /** The lifter's own account, or the latest invitation to one. */
  async accountOf(lifterId: string): Promise<ProfileView['account']> {
    const account = await this.accounts.ofLifter(lifterId);
    if (account) return { email: account.email, state: 'joined', expiresAt: null };
    const latest = await this.sharing.latestInvitation(lifterId);
    if (!latest) return null;
    const state = latest.expiresAt > this.clock.now() ? 'invited' : 'expired';
    return { email: latest.email, state, expiresAt: latest.expiresAt.toISOString() };
  }

  async link(
    clubId: string,
    by: string,
    lifterId: string | null,
    id: string,
    { days, ahead = USUAL_AHEAD, health = false }: ShareRequest,
  ): Promise<MadeSecret> {
    if (lifterId !== null) await this.lifters.known(clubId, lifterId);
    const [secret, madeAt] = [freshSecret(), this.clock.now()];
    const expiresAt = addDays(madeAt, days);
    const row = { id, clubId, lifterId, secretHash: hashOf(secret), madeBy: by, madeAt, expiresAt };
    if (!(await this.sharing.addLink({ ...row, ahead, health, revokedBy: null, revokedAt: null })))
      throw shownOnce('link');
    return { secret, expiresAt };
  }

  async revoke(clubId: string, by: string, lifterId: string | null, id: string): Promise<void> {
    if (lifterId !== null) await this.lifters.known(clubId, lifterId);
    if (!(await this.sharing.revoke(clubId, lifterId, id, by, this.clock.now()))) throw notFound('link');
  }

  /** Whose sessions a link shows; an archived lifter shares nothing. */
  async byLink(secret: string): Promise<OpenedLink & { readonly lifter: Lifter }> {
    const { lifter, ...opened } = await this.byCalendarLink(secret);
    if (!lifter) throw linkGone();
    return { ...opened, lifter };
  }

  /** Whose calendar a link shows; where it is the club's, of no lifter. */
  async byCalendarLink(secret: string): Promise<OpenedLink> {
    const row = await this.sharing.openLink(hashOf(secret), this.clock.now());
    const lifter = row?.lifterId ? await this.active(row.clubId, row.lifterId) : null;
    if (!row || (row.lifterId && !lifter)) throw linkGone();
    return { row, lifter, club: await this.clubs.byId(row.clubId) };
  }

  /** Invites a lifter to an account; an earlier invitation is taken back. */
  async invite(clubId: string, by: string, lifterId: string, id: string, email: string): Promise<MadeSecret> {
    await this.lifters.known(clubId, lifterId);
    if (await this.accounts.ofLifter(lifterId))
      throw new Problem(409, 'has-account', 'This lifter has an account already.');
    return this.invited({ id, clubId, madeBy: by, lifterId, email, role: 'lifter', name: '', endsOn: null });
  }

  /** Invites somebody to the staff; an earlier invitation to the same address is taken back. */
  async inviteStaff(
    clubId: string,
    by: string,
    id: string,
    { name, email, role, endsOn = null }: StaffInvitationRequest,
  ): Promise<MadeSecret> {
    checkEnd(endsOn, this.days.today(await this.clubs.byId(clubId)));
    return this.invited({ id, clubId, madeBy: by, lifterId: null, email, role, name, endsOn });
  }

  /** Who was invited to the staff and has not come yet. */
  async staffInvited(clubId: string): Promise<InvitedView[]> {
    const now = this.clock.now();
    return (await this.sharing.staffInvited(clubId)).map(({ id, name, email, role, endsOn, expiresAt }) => ({
      ...{ id, name, email, role: role as StaffRole, endsOn },
      ...{ expiresAt: expiresAt.toISOString(), expired: expiresAt <= now },
    }));
  }

  /** Takes an invitation to the staff back. */
  async revokeStaffInvitation(clubId: string, id: string): Promise<void> {
    if (!(await this.sharing.revokeStaffInvitation(clubId, id, this.clock.now())))
      throw notFound('invitation');
  }

  async byInvitation(secret: string): Promise<OpenedInvitation> {
    const row = await this.sharing.openInvitation(hashOf(secret), this.clock.now());
    const lifter = row?.lifterId ? await this.active(row.clubId, row.lifterId) : null;
    if (!row || (row.lifterId && !lifter)) throw linkGone();
    return { row, lifter, name: lifter?.name ?? row.name, club: await this.clubs.byId(row.clubId) };
  }

  /** Makes the account that was offered, with the password that whoever comes has chosen. */
  async join(secret: string, password: string): Promise<OpenedInvitation> {
    const opened = await this.byInvitation(secret);
    const { row, lifter, name, club } = opened;
    await checkStrength(password, [name, row.email, club.name]);
    const account = {
      ...{ id: randomUUID(), clubId: club.id, lifterId: row.lifterId, email: row.email, name },
      ...{ role: row.role, endsOn: row.endsOn, unit: lifter?.unit ?? club.unit, theme: 'light' as const },
    };
    const joined = await this.db
      .transaction(async (manager) => {
        if (!(await this.sharing.take(manager, row.id, this.clock.now()))) return false;
        if (!(await this.accounts.add(manager, account, password))) throw new JoinedMeanwhile();
        return true;
      })
      .catch((error: unknown) => {
        if (error instanceof JoinedMeanwhile) return false;
        throw error;
      });
    if (!joined)
      throw new Problem(409, 'joined-meanwhile', 'This invitation was taken up already: sign in with it.');
    return opened;
  }

  /** Takes back a lifter's account, or the invitation to one; what the account signed keeps its name. */
  async removeAccount(clubId: string, lifterId: string): Promise<void> {
    await this.lifters.known(clubId, lifterId);
    const account = await this.accounts.ofLifter(lifterId);
    await this.db.transaction(async (manager) => {
      await this.sharing.revokeInvitations(manager, lifterId, this.clock.now());
      if (account) await this.accounts.remove(manager, account.id);
    });
  }

  private async invited(
    invitation: Omit<Invitation, 'secretHash' | 'madeAt' | 'expiresAt' | 'takenAt' | 'revokedAt'>,
  ): Promise<MadeSecret> {
    if (await this.accounts.emailTaken(invitation.email)) {
      const message = 'Somebody signs in with this address already. Use another.';
      throw new Problem(409, 'email-taken', message, invalid('email', message).fields);
    }
    const [secret, madeAt] = [freshSecret(), this.clock.now()];
    const expiresAt = addDays(madeAt, INVITATION_DAYS);
    const times = { madeAt, expiresAt, takenAt: null, revokedAt: null };
    if (!(await this.sharing.invite({ ...invitation, ...times, secretHash: hashOf(secret) })))
      throw shownOnce('invitation');
    return { secret, expiresAt };
  }

  /** The lifter, unless archived: such a one shares nothing. */
  private async active(clubId: string, lifterId: string): Promise<Lifter | null> {
    const lifter = await this.lifters.find(clubId, lifterId);
    return lifter?.archivedAt === null ? lifter : null;
  }
}

const linkGone = (): Problem => new Problem(404, 'link-gone', LINK_GONE);

class JoinedMeanwhile extends Error {}
