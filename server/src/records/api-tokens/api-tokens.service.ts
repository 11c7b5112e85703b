import { Injectable, type OnModuleInit } from '@nestjs/common';
import {
  LONGEST_TOKEN_DAYS,
  MOST_TOKENS,
  TOKEN_PREFIX,
  type ApiTokenRequest,
  type ApiTokenView,
  type Role,
  type TokenScope,
} from '@iron-clasp/contract';
import { parseISO } from 'date-fns';
import { DataSource, IsNull } from 'typeorm';
import { ApiClients, type SignedIn } from '../../platform/access/signed-in.ts';
import { Clock } from '../../platform/clock/clock.ts';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { insertNew } from '../../platform/database/saves.ts';
import { shiftDay, type ClubRef } from '../../platform/days/club-day.ts';
import { Days } from '../../platform/days/days.ts';
import { invalid, notFound, Problem } from '../../platform/http/problem.ts';
import { AccountsService } from '../accounts/accounts.service.ts';
import { freshSecret, hashOf, shownOnce } from '../accounts/secrets.ts';
import { ApiToken } from './api-token.entity.ts';

/** How often it is kept that a token was used, ms. */
const USED_EVERY = 5 * 60_000;

/** What a client is taken for, by what it may do. */
const AS: Readonly<Record<TokenScope, Role>> = { read: 'follower', log: 'assistant', plan: 'coach' };
/** Roles by what they may do, the least first. */
const BY_RIGHT: readonly Role[] = ['lifter', 'follower', 'assistant', 'coach', 'owner'];

/** Tokens of clients: each acts for whoever made it, with less than their right, until its last day. */
@Injectable()
export class ApiTokensService extends ApiClients implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly accounts: AccountsService,
    private readonly kept: KeptTables,
    private readonly clock: Clock,
    private readonly days: Days,
  ) {
    super();
  }

  onModuleInit(): void {
    this.kept.register({ name: 'api_token', ofClub: OWN.ofClub, exported: 'never' });
  }

  /** Tokens that were not revoked, by name. */
  async list(club: ClubRef): Promise<ApiTokenView[]> {
    const rows = await this.db
      .getRepository(ApiToken)
      .find({ where: { clubId: club.id, revokedAt: IsNull() }, order: { name: 'ASC', id: 'ASC' } });
    const makers = await this.accounts.signers(rows.map((row) => row.madeBy));
    const today = this.days.today(club);
    return rows.map(({ id, name, scope, madeBy, madeAt, endsOn, lastUsedAt }) => ({
      ...{ id, name, scope, endsOn, madeBy: makers.get(madeBy)?.name ?? '', madeAt: madeAt.toISOString() },
      lastUsedAt: lastUsedAt?.toISOString() ?? null,
      ended: endsOn < today || !makers.get(madeBy)?.open,
    }));
  }

  /**
   * Makes a token.
   * @returns its secret, which nothing tells again.
   */
  async make(
    club: ClubRef,
    by: string,
    id: string,
    { name, scope, endsOn }: ApiTokenRequest,
  ): Promise<string> {
    const today = this.days.today(club);
    const latest = shiftDay(today, LONGEST_TOKEN_DAYS);
    if (endsOn < today || endsOn > latest)
      throw invalid('endsOn', 'Choose a day from today on, a year ahead at most.');
    const secret = `${TOKEN_PREFIX}${freshSecret()}`;
    await this.db.transaction(async (manager) => {
      // Counted one after the other: two at once would both find room for one.
      await manager.query('SELECT pg_advisory_xact_lock(hashtext($1))', [`api_token ${club.id}`]);
      const inUse = await manager.countBy(ApiToken, { clubId: club.id, revokedAt: IsNull() });
      if (inUse >= MOST_TOKENS)
        throw new Problem(
          409,
          'too-many-tokens',
          `A club has at most ${MOST_TOKENS} tokens. Revoke one first.`,
        );
      const row: ApiToken = {
        ...{ id, clubId: club.id, name, scope, secretHash: hashOf(secret), madeBy: by, endsOn },
        ...{ madeAt: this.clock.now(), lastUsedAt: null, revokedAt: null },
      };
      if (!(await insertNew(manager, ApiToken, row))) throw shownOnce('token');
    });
    return secret;
  }

  /** Ends a token; repeated it changes nothing. */
  async revoke(clubId: string, id: string): Promise<void> {
    const tokens = this.db.getRepository(ApiToken);
    await tokens.update({ clubId, id, revokedAt: IsNull() }, { revokedAt: this.clock.now() });
    if (!(await tokens.existsBy({ clubId, id }))) throw notFound('token');
  }

  override async whoShows(token: string): Promise<SignedIn | null> {
    if (!token.startsWith(TOKEN_PREFIX)) return null;
    const row = await this.db
      .getRepository(ApiToken)
      .findOneBy({ secretHash: hashOf(token), revokedAt: IsNull() });
    const acting = row && (await this.accounts.actingFor(row.madeBy));
    if (!row || !acting || row.endsOn < this.days.today(acting.club)) return null;
    await this.used(row);
    const { account, club } = acting;
    const role = BY_RIGHT[Math.min(BY_RIGHT.indexOf(AS[row.scope]), BY_RIGHT.indexOf(account.role))]!;
    return {
      ...{ account: { ...account, role }, club, deviceId: row.id, changeToken: '' },
      ...{ expiresAt: parseISO(row.endsOn), client: row.name },
    };
  }

  private async used({ id, lastUsedAt }: ApiToken): Promise<void> {
    const now = this.clock.now();
    if (lastUsedAt && now.getTime() - lastUsedAt.getTime() < USED_EVERY) return;
    await this.db.getRepository(ApiToken).update({ id }, { lastUsedAt: now });
  }
}
