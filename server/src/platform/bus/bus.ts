import { randomUUID } from 'node:crypto';
import {
  Inject,
  Injectable,
  Logger,
  type BeforeApplicationShutdown,
  type OnApplicationBootstrap,
} from '@nestjs/common';
import pg from 'pg';
import { filter, map, Subject, type Observable } from 'rxjs';
import type { Config } from '../config/config.ts';
import { CONFIG } from '../config/token.ts';

/** The one channel of PostgreSQL's that the processes of a server listen to. */
const CHANNEL = 'iron_clasp';
/** PostgreSQL takes no longer word, bytes. */
const LONGEST = 7_900;
/** How long after a lost connection it is tried again, ms. */
const AGAIN_AFTER = 1_000;

interface Word {
  readonly from: string;
  readonly topic: string;
  readonly said: unknown;
}

/**
 * What one process of the server tells the others, by PostgreSQL's LISTEN and NOTIFY. Nothing is kept: whoever does not listen
 * at the moment has missed it, as has everybody while the connection is lost.
 */
@Injectable()
export class Bus implements OnApplicationBootstrap, BeforeApplicationShutdown {
  readonly #own = randomUUID();
  readonly #words = new Subject<Word>();
  readonly #log = new Logger('Bus');
  #client: pg.Client | undefined;
  #timer: NodeJS.Timeout | undefined;
  #over = false;

  constructor(@Inject(CONFIG) private readonly config: Config) {}

  async onApplicationBootstrap(): Promise<void> {
    await this.#listen();
  }

  /** Tells the other processes; where the database is gone for the moment nobody hears it, and nothing else fails. */
  async tell(topic: string, said: unknown): Promise<void> {
    const word = JSON.stringify({ from: this.#own, topic, said } satisfies Word);
    if (Buffer.byteLength(word) > LONGEST) return;
    // By the connection that listens: those of the pool are for whoever waits for an answer.
    await this.#client?.query('SELECT pg_notify($1, $2)', [CHANNEL, word]).catch((error: unknown) => {
      this.#log.warn(error instanceof Error ? error.message : String(error));
    });
  }

  /** What other processes tell of a topic. */
  heard<Said>(topic: string): Observable<Said> {
    return this.#words.pipe(
      filter((word) => word.topic === topic && word.from !== this.#own),
      map((word) => word.said as Said),
    );
  }

  async beforeApplicationShutdown(): Promise<void> {
    this.#over = true;
    clearTimeout(this.#timer);
    await this.#client?.end().catch(() => undefined);
  }

  async #listen(): Promise<void> {
    const client = new pg.Client({ connectionString: this.config.databaseUrl });
    let lost = false;
    const again = (): void => {
      if (lost || this.#over) return;
      lost = true;
      this.#timer = setTimeout(() => void this.#listen(), AGAIN_AFTER);
      this.#timer.unref();
    };
    client.on('error', again);
    client.on('end', again);
    client.on('notification', ({ payload }) => this.#hear(payload));
    try {
      await client.connect();
      await client.query(`LISTEN ${CHANNEL}`);
      this.#client = client;
    } catch {
      again();
    }
  }

  #hear(payload: string | undefined): void {
    try {
      this.#words.next(JSON.parse(payload ?? '') as Word);
    } catch {
      // Somebody else's word on our channel.
    }
  }
}
