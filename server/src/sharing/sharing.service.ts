import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import type { InvitationView, MadeLinkView, SharedView } from '@iron-clasp/contract';
import { addDays } from 'date-fns';
import { hashPassword } from '../accounts/passwords.ts';
import { CallsService } from '../calls/calls.service.ts';
import { Clock } from '../clock.ts';
import { notFound, Problem } from '../http/problem.ts';
import { LiftersService } from '../lifters/lifters.service.ts';
import { TrainingRepository } from '../training/training.repository.ts';
import { SharingRepository } from './sharing.repository.ts';

/** Days that an invitation can be taken up. */
const INVITATION_DAYS = 7;
/** Coming days that a link shows. */
const SHOWN_DAYS = 8;

const LINK_GONE = 'This link has run out, was taken back, or was never made. Ask your coach for a new one.';
const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');
const freshSecret = (): string => randomBytes(32).toString('base64url');

@Injectable()
export class SharingService {
  constructor(
    private readonly sharing: SharingRepository,
    private readonly lifters: LiftersService,
    private readonly training: TrainingRepository,
    private readonly calls: CallsService,
    private readonly clock: Clock,
  ) {}

  /** Makes a read-only link; its secret is shown this once and only its hash kept. */
  async link(
    clubId: string,
    accountId: string,
    lifterId: string,
    id: string,
    days: number,
  ): Promise<MadeLinkView> {
    await this.lifters.profile(clubId, lifterId);
    const [secret, madeAt] = [freshSecret(), this.clock.now()];
    const expiresAt = addDays(madeAt, days);
    const row = { id, lifterId, secretHash: hashOf(secret), madeBy: accountId, madeAt, expiresAt };
    if (!(await this.sharing.addLink({ ...row, revokedBy: null, revokedAt: null }))) throw shownOnce('link');
    return { id, path: `/shared/${secret}`, expiresAt: expiresAt.toISOString() };
  }

  async revoke(clubId: string, accountId: string, lifterId: string, id: string): Promise<void> {
    await this.lifters.profile(clubId, lifterId);
    if (!(await this.sharing.revoke(lifterId, id, accountId, this.clock.now()))) throw notFound('link');
  }

  /** What the holder of a link sees: the sessions of the coming days as they are called. */
  async shared(secret: string): Promise<SharedView> {
    const found = await this.sharing.byLink(hashOf(secret), this.clock.now());
    if (!found) throw new Problem(404, 'link-gone', LINK_GONE);
    const { lifter } = await this.lifters.profile(found.clubId, found.lifterId);
    const today = this.clock.today();
    const ids = await this.training.coming(found.lifterId, today, SHOWN_DAYS);
    const sessions = await Promise.all(ids.map((id) => this.calls.session(found.clubId, id)));
    return {
      club: found.club,
      lifterName: lifter.name,
      unit: lifter.unit,
      expiresAt: found.expiresAt.toISOString(),
      sessions,
    };
  }

  /** Invites a lifter to an account; an earlier invitation is taken back. */
  async invite(
    clubId: string,
    accountId: string,
    lifterId: string,
    id: string,
    email: string,
  ): Promise<MadeLinkView> {
    await this.lifters.profile(clubId, lifterId);
    const now = this.clock.now();
    if ((await this.sharing.accountOf(lifterId, now))?.state === 'joined')
      throw new Problem(409, 'has-account', 'This lifter has an account already.');
    if (await this.sharing.emailTaken(email)) {
      const message = 'Somebody signs in with this address already. Use another.';
      throw new Problem(409, 'email-taken', message, [{ path: 'email', message }]);
    }
    const secret = freshSecret();
    const expiresAt = addDays(now, INVITATION_DAYS);
    const row = { id, lifterId, email: email.trim(), secretHash: hashOf(secret), madeBy: accountId };
    if (!(await this.sharing.invite({ ...row, madeAt: now, expiresAt, takenAt: null, revokedAt: null })))
      throw shownOnce('invitation');
    return { id, path: `/join/${secret}`, expiresAt: expiresAt.toISOString() };
  }

  /** Takes back a lifter's account, or the invitation to one. */
  async removeAccount(clubId: string, accountId: string, lifterId: string): Promise<void> {
    await this.lifters.profile(clubId, lifterId);
    await this.sharing.removeAccount(lifterId, accountId, this.clock.now());
  }

  async invitation(secret: string): Promise<InvitationView> {
    const found = await this.sharing.openInvitation(hashOf(secret), this.clock.now());
    if (!found) throw new Problem(404, 'link-gone', LINK_GONE);
    return { club: found.club, lifterName: found.lifterName, email: found.email };
  }

  /** Makes the lifter's account with the password they chose. */
  async join(secret: string, password: string): Promise<InvitationView> {
    const now = this.clock.now();
    const found = await this.sharing.openInvitation(hashOf(secret), now);
    if (!found) throw new Problem(404, 'link-gone', LINK_GONE);
    const { lifter } = await this.lifters.profile(found.clubId, found.lifterId);
    const account = {
      id: randomUUID(),
      clubId: found.clubId,
      lifterId: found.lifterId,
      email: found.email,
      name: found.lifterName,
      role: 'lifter' as const,
      passwordHash: await hashPassword(password),
      unit: lifter.unit,
      theme: 'light' as const,
    };
    if (!(await this.sharing.join(found, account, now)))
      throw new Problem(409, 'joined-meanwhile', 'This invitation was taken up already: sign in with it.');
    return { club: found.club, lifterName: found.lifterName, email: found.email };
  }
}

function shownOnce(what: string): Problem {
  return new Problem(
    409,
    'shown-once',
    `This ${what} was made already and its address is shown only once. If it did not reach you, make another.`,
  );
}
