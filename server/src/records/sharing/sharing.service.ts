import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { Injectable, type OnModuleInit } from '@nestjs/common';
import type { ProfileView, ShareLinkView } from '@iron-clasp/contract';
import { addDays } from 'date-fns';
import { DataSource } from 'typeorm';
import { Clock } from '../../platform/clock/clock.ts';
import type { ClubRef } from '../../platform/days/club-day.ts';
import { invalid, notFound, Problem } from '../../platform/http/problem.ts';
import { AccountsService } from '../accounts/accounts.service.ts';
import { ClubsService } from '../clubs/clubs.service.ts';
import { LifterData } from '../lifters/lifter-data.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import type { Lifter } from '../lifters/lifter.entity.ts';
import type { Invitation, ShareLink } from './sharing.entity.ts';
import { SharingRepository } from './sharing.repository.ts';

/** Days that an invitation can be taken up. */
const INVITATION_DAYS = 7;

const LINK_GONE = 'This link has run out, was taken back, or was never made. Ask your coach for a new one.';
const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');
const freshSecret = (): string => randomBytes(32).toString('base64url');

/** A link or invitation just made: its secret is known this once. */
export interface MadeSecret {
  readonly secret: string;
  readonly expiresAt: Date;
}

/** What a secret opens: a lifter of a club. */
export interface Opened<Row> {
  readonly row: Row;
  readonly lifter: Lifter;
  readonly club: ClubRef & { readonly name: string };
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
    private readonly data: LifterData,
    private readonly clock: Clock,
  ) {}

  onModuleInit(): void {
    this.data.register(10, [
      { name: 'share_link', where: 'lifter_id = $1', secret: true },
      { name: 'invitation', where: 'lifter_id = $1', secret: true },
    ]);
  }

  /** The lifter's links, the latest first, with who made and revoked them. */
  async links(lifterId: string): Promise<ShareLinkView[]> {
    const rows = await this.sharing.links(lifterId);
    const names = await this.accounts.names(rows.flatMap((row) => [row.madeBy, row.revokedBy]));
    return rows.map((row) => ({
      id: row.id,
      madeBy: names.get(row.madeBy) ?? '',
      madeAt: row.madeAt.toISOString(),
      expiresAt: row.expiresAt.toISOString(),
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

  async link(clubId: string, by: string, lifterId: string, id: string, days: number): Promise<MadeSecret> {
    await this.lifters.known(clubId, lifterId);
    const [secret, madeAt] = [freshSecret(), this.clock.now()];
    const expiresAt = addDays(madeAt, days);
    const row = { id, clubId, lifterId, secretHash: hashOf(secret), madeBy: by, madeAt, expiresAt };
    if (!(await this.sharing.addLink({ ...row, revokedBy: null, revokedAt: null }))) throw shownOnce('link');
    return { secret, expiresAt };
  }

  async revoke(clubId: string, by: string, lifterId: string, id: string): Promise<void> {
    await this.lifters.known(clubId, lifterId);
    if (!(await this.sharing.revoke(lifterId, id, by, this.clock.now()))) throw notFound('link');
  }

  /** Whose sessions a link shows; an archived lifter shares nothing. */
  async byLink(secret: string): Promise<Opened<ShareLink>> {
    return this.opened(await this.sharing.openLink(hashOf(secret), this.clock.now()));
  }

  /** Invites a lifter to an account; an earlier invitation is taken back. */
  async invite(clubId: string, by: string, lifterId: string, id: string, email: string): Promise<MadeSecret> {
    await this.lifters.known(clubId, lifterId);
    if (await this.accounts.ofLifter(lifterId))
      throw new Problem(409, 'has-account', 'This lifter has an account already.');
    if (await this.accounts.emailTaken(email)) {
      const message = 'Somebody signs in with this address already. Use another.';
      throw new Problem(409, 'email-taken', message, invalid('email', message).fields);
    }
    const [secret, madeAt] = [freshSecret(), this.clock.now()];
    const expiresAt = addDays(madeAt, INVITATION_DAYS);
    const row = { id, clubId, lifterId, email, secretHash: hashOf(secret), madeBy: by, madeAt, expiresAt };
    if (!(await this.sharing.invite({ ...row, takenAt: null, revokedAt: null })))
      throw shownOnce('invitation');
    return { secret, expiresAt };
  }

  async byInvitation(secret: string): Promise<Opened<Invitation>> {
    return this.opened(await this.sharing.openInvitation(hashOf(secret), this.clock.now()));
  }

  /** Makes the lifter's account with the password they chose. */
  async join(secret: string, password: string): Promise<Opened<Invitation>> {
    const opened = await this.byInvitation(secret);
    const { row, lifter, club } = opened;
    const account = {
      ...{ id: randomUUID(), clubId: club.id, lifterId: lifter.id, email: row.email, name: lifter.name },
      ...{ role: 'lifter' as const, unit: lifter.unit, theme: 'light' as const },
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

  private async opened<Row extends { clubId: string; lifterId: string }>(
    row: Row | null,
  ): Promise<Opened<Row>> {
    const lifter = row && (await this.lifters.find(row.clubId, row.lifterId));
    if (!row || !lifter || lifter.archivedAt) throw new Problem(404, 'link-gone', LINK_GONE);
    return { row, lifter, club: await this.clubs.byId(row.clubId) };
  }
}

function shownOnce(what: string): Problem {
  return new Problem(
    409,
    'shown-once',
    `This ${what} was made already and its address is shown only once. If it did not reach you, make another.`,
  );
}

class JoinedMeanwhile extends Error {}
