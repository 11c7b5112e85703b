import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import pg from 'pg';
import { freePort } from '../../tools/lib/machine.mjs';

const WEB = join(import.meta.dirname, '..', '..', 'web', 'dist');

/** A database of its own, made of another one; its address. */
export async function copyOf(template: string): Promise<string> {
  const admin = process.env['IRON_CLASP_E2E_DATABASE'];
  if (!admin) throw new Error('IRON_CLASP_E2E_DATABASE is not set: these tests run through `npm test`.');
  const name = `e2e_${randomUUID().replaceAll('-', '')}`;
  await ask(admin, `CREATE DATABASE ${name} TEMPLATE ${template} STRATEGY FILE_COPY`);
  return admin.replace(/\/[^/]*$/, `/${name}`);
}

/** What tests ask of the demo's tables. */
export class DemoDatabase {
  /** Its address. */
  protected readonly database: string;

  constructor(database: string) {
    this.database = database;
  }

  query<Row>(text: string, values: unknown[] = []): Promise<Row[]> {
    return ask<Row>(this.database, text, values);
  }

  /** The lifter's next session of that title. */
  async sessionOf(lifter: string, title: string): Promise<string> {
    const [row] = await this.query<{ id: string }>(
      `SELECT t.id FROM training_session t JOIN lifter l ON l.id = t.lifter_id
        WHERE l.name = $1 AND NOT t.finished AND t.title = $2 ORDER BY t.held_on LIMIT 1`,
      [lifter, title],
    );
    return row!.id;
  }

  /** Entries of a session that are stored and not taken back. */
  async stored(session: string, table: 'logged_set' | 'logged_hold' = 'logged_set'): Promise<number> {
    const [row] = await this.query<{ n: number }>(
      `SELECT count(*)::int AS n FROM ${table} WHERE session_id = $1 AND undone_at IS NULL`,
      [session],
    );
    return row!.n;
  }
}

async function ask<Row>(address: string, text: string, values: unknown[] = []): Promise<Row[]> {
  const client = new pg.Client({ connectionString: address });
  await client.connect();
  try {
    return (await client.query(text, values)).rows as Row[];
  } finally {
    await client.end();
  }
}

/** A copy of the demo, served in the process that serves those of other files of tests too. */
export class ServedCopy extends DemoDatabase {
  readonly url: string;
  readonly #port: string;

  private constructor(database: string, port: string) {
    super(database);
    this.#port = port;
    this.url = `http://127.0.0.1:${port}`;
  }

  static async start(): Promise<ServedCopy> {
    const database = await copyOf(process.env['IRON_CLASP_E2E_TEMPLATE']!);
    const port = String(await freePort());
    await control('POST', '', {
      ...{ DATABASE_URL: database, IRON_CLASP_PORT: port, IRON_CLASP_WEB: WEB, IRON_CLASP_LOG: 'silent' },
    });
    return new ServedCopy(database, port);
  }

  stop(): Promise<void> {
    return control('DELETE', this.#port);
  }
}

async function control(method: string, path: string, body?: object): Promise<void> {
  const answer = await fetch(`${process.env['IRON_CLASP_E2E_SERVERS']}/${path}`, {
    method,
    ...(body && { body: JSON.stringify(body) }),
  });
  if (!answer.ok) throw new Error(`The server was not ${body ? 'started' : 'ended'}: ${await answer.text()}`);
}
