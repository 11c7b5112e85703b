import { Injectable } from '@nestjs/common';
import type { NewSecondFactorView, OwnAccountView } from '@iron-clasp/contract';
import { DataSource } from 'typeorm';
import { GuessLimit } from '../../platform/access/guess-limit.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { Clock } from '../../platform/clock/clock.ts';
import { invalid } from '../../platform/http/problem.ts';
import { AccountsRepository } from './accounts.repository.ts';
import { checkStrength } from './password-strength.ts';
import { checkPassword, hashPassword } from './passwords.ts';
import { newSecret, stepOf } from './second-factor.ts';

/** What people change of their own account: password, second factor, devices. */
@Injectable()
export class OwnAccountService {
  constructor(
    private readonly db: DataSource,
    private readonly accounts: AccountsRepository,
    private readonly limit: GuessLimit,
    private readonly clock: Clock,
  ) {}

  async view({ account, deviceId }: SignedIn): Promise<OwnAccountView> {
    const [devices, own] = await Promise.all([
      this.accounts.devices(account.id, this.clock.now()),
      this.accounts.withSecretsOf(account.id),
    ]);
    return {
      devices: devices.map(({ id, device, madeAt, seenAt }) => ({
        ...{ id, name: device || 'A device', here: id === deviceId },
        ...{ signedInAt: madeAt.toISOString(), seenAt: seenAt.toISOString() },
      })),
      secondFactor: (own?.secondFactor ?? null) !== null,
    };
  }

  /** Changes the password and signs every other device out. */
  async changePassword(who: SignedIn, current: string, password: string, from: string): Promise<void> {
    await this.checkOwn(who, current, from, 'current');
    await checkStrength(password, [who.account.name, who.account.email, who.club.name]);
    const passwordHash = await hashPassword(password);
    await this.db.transaction(async (manager) => {
      await this.accounts.saveSecrets(manager, who.account.id, { passwordHash });
      await this.accounts.endDevices(manager, who.account.id, who.deviceId);
    });
  }

  /** A secret for an authenticator; nothing is asked for until a code of it is typed back. */
  newSecondFactor({ account, club }: SignedIn): NewSecondFactorView {
    return newSecret(club.name, account.email);
  }

  async useSecondFactor({ account }: SignedIn, secret: string, code: string): Promise<void> {
    const step = await stepOf(secret, code, this.clock.now());
    if (step === null)
      throw invalid('code', 'The authenticator shows other figures. Wait for the next ones and type them.');
    await this.accounts.saveSecrets(this.db.manager, account.id, {
      ...{ secondFactor: secret, secondFactorStep: String(step) },
    });
  }

  async dropSecondFactor(who: SignedIn, password: string, from: string): Promise<void> {
    await this.checkOwn(who, password, from, 'password');
    await this.accounts.saveSecrets(this.db.manager, who.account.id, {
      ...{ secondFactor: null, secondFactorStep: null },
    });
  }

  async endDevice({ account }: SignedIn, id: string): Promise<void> {
    await this.accounts.endDevice(account.id, id);
  }

  /** Signs every device out but the one that asks. */
  async endOtherDevices({ account, deviceId }: SignedIn): Promise<void> {
    await this.accounts.endDevices(this.db.manager, account.id, deviceId);
  }

  /** Somebody at an open page is not yet the one whose account it is. */
  private async checkOwn(
    { account }: SignedIn,
    password: string,
    from: string,
    field: string,
  ): Promise<void> {
    await this.limit.guess(account.email, from, async () => {
      const own = await this.accounts.withSecretsOf(account.id);
      if (!(await checkPassword(own?.passwordHash, password)))
        throw invalid(field, 'This is not the password you sign in with now.');
    });
  }
}
