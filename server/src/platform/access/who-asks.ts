import { Injectable } from '@nestjs/common';
import type { Request } from 'express';
import { DataSource } from 'typeorm';
import { MinuteLimit } from './minute-limit.ts';
import { Identity, ApiClients, type SignedIn } from './signed-in.ts';

export const COOKIE = 'iron_clasp';
/** Requests that one client may send in a minute. */
export const CLIENT_REQUESTS_A_MINUTE = 300;

type Asked = Pick<Request, 'headers'> & { readonly cookies?: Readonly<Record<string, string>> };

/** Who sends a request: whoever signed in with the browser, or the client whose token it shows. */
@Injectable()
export class WhoAsks {
  readonly #limit: MinuteLimit;

  constructor(
    db: DataSource,
    private readonly identity: Identity,
    private readonly clients: ApiClients,
  ) {
    this.#limit = new MinuteLimit(db, 'client', CLIENT_REQUESTS_A_MINUTE, [
      'too-many-requests',
      `This client asked ${CLIENT_REQUESTS_A_MINUTE} times in the last minute. Wait a moment, then go on.`,
    ]);
  }

  /** Null where nobody is known by it. Counts what a client asks. */
  async of(request: Asked): Promise<SignedIn | null> {
    const who = await this.still(request);
    if (who?.client !== undefined) await this.#limit.count(who.deviceId);
    return who;
  }

  /** The same for one that goes on asking: a stream. */
  async still({ headers, cookies }: Asked): Promise<SignedIn | null> {
    const token = /^Bearer +(\S+)$/i.exec(headers.authorization ?? '')?.[1];
    return token === undefined ? this.identity.whoIs(cookies?.[COOKIE]) : this.clients.whoShows(token);
  }
}
