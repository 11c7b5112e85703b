import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { venueFromPreset } from '@iron-clasp/core';
import type { BringClubRequest, SetUpRequest } from '@iron-clasp/contract';
import { DataSource, type EntityManager } from 'typeorm';
import { GuessLimit } from '../../platform/access/guess-limit.ts';
import { invalid, Problem } from '../../platform/http/problem.ts';
import { ExportsService } from '../../records/exports/exports.service.ts';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { checkStrength } from '../../records/accounts/password-strength.ts';
import { ClubsService } from '../../records/clubs/clubs.service.ts';
import { SetUpCodes } from '../../records/clubs/set-up-codes.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import { ProfilesService } from '../profiles/profiles.service.ts';

/** A club of one's own: its settings, its owner, the room it trains in and its first lifters, in one go or not at all. */
@Injectable()
export class SetUpService {
  constructor(
    private readonly db: DataSource,
    private readonly clubs: ClubsService,
    private readonly codes: SetUpCodes,
    private readonly accounts: AccountsService,
    private readonly kit: KitService,
    private readonly profiles: ProfilesService,
    private readonly exports: ExportsService,
    private readonly limit: GuessLimit,
  ) {}

  /** Shows a code on the terminal, where a club may be started. */
  async showCode(): Promise<void> {
    const code = await this.codeToShow();
    if (code !== undefined) process.stdout.write(`Code to start a club of your own: ${code}\n`);
  }

  /** A code for the terminal to show; none where a club was started already. */
  async codeToShow(): Promise<string | undefined> {
    return (await this.clubs.anyOwn()) ? undefined : this.codes.make();
  }

  /**
   * Starts the club.
   * @param from the address it comes from.
   * @returns whether it did; false where the answer to the same request was lost, and its owner signs in as anybody does.
   */
  async start(body: SetUpRequest, from: string): Promise<boolean> {
    const again = await this.clubs.find(body.club.id);
    if (again) {
      if (again.demo) throw started();
      return false;
    }
    await this.checkCode(body.code, from);
    await checkStrength(
      body.owner.password,
      [body.owner.name, body.owner.email, body.club.name],
      'owner.password',
    );
    await this.db.transaction((manager) => this.make(manager, body));
    return true;
  }

  /**
   * Starts from the export of a club: it comes back as it was, and whoever brings it chooses the password of one of its owners.
   * The code was checked before the file was taken.
   * @returns the account of that owner.
   */
  async bring(path: string, { email, password }: BringClubRequest): Promise<string> {
    await checkStrength(password, [email], 'password');
    return this.exports.bringClub(path, async (manager, add) => {
      if (!(await this.clubs.noneOwn(manager))) throw started();
      await this.codes.spend(manager);
      const clubId = await add();
      const owner = await this.accounts.giveOwnerPassword(manager, clubId, email, password);
      if (owner === null)
        throw invalid('email', 'No owner of this club signs in with this address. Type one of an owner.');
      return owner;
    });
  }

  /** Whoever types a code that the terminal shows runs the machine. */
  checkCode(code: string, from: string): Promise<void> {
    return this.limit.guess(null, from, async () => {
      if (await this.codes.isKnown(code)) return;
      // Every code is spent with the first club.
      if (await this.clubs.anyOwn()) throw started();
      throw invalid('code', 'This is not a code that the terminal shows. Look there, and type it again.');
    });
  }

  private async make(manager: EntityManager, { club, owner, venue, lifters }: SetUpRequest): Promise<void> {
    if (!(await this.clubs.noneOwn(manager))) throw started();
    await this.codes.spend(manager);
    const { id, timeZone, unit } = club;
    await this.clubs.add(manager, { ...club, demo: false, version: 1 });
    const { id: ownerId, name: ownerName, email, password } = owner;
    const account = { id: ownerId, clubId: id, email, name: ownerName, lifterId: null, unit };
    if (!(await this.accounts.add(manager, { ...account, role: 'owner', theme: 'light' }, password)))
      throw invalid('owner.email', 'Somebody signs in with this address already. Use another.');
    await this.kit.addVenue(
      manager,
      id,
      venue.id,
      venueFromPreset(venue.preset, { name: venue.name, unit, newId: randomUUID }),
    );
    await this.profiles.addNew(
      manager,
      { id, timeZone },
      lifters.map((each) => ({ ...each, unit })),
    );
  }
}

const started = (): Problem =>
  new Problem(
    409,
    'set-up-done',
    'A club was started here already. Sign in, or ask its owner to invite you.',
  );
