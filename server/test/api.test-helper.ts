import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import type { StaffRole } from '@iron-clasp/contract';
import { Test } from '@nestjs/testing';
import type { NestExpressApplication } from '@nestjs/platform-express';
import pg from 'pg';
import supertest from 'supertest';
import type TestAgent from 'supertest/lib/agent.js';
import { DataSource } from 'typeorm';
import { prepare } from '../src/app.ts';
import { AppModule } from '../src/app.module.ts';
import { DEMO_COACH, DEMO_SIGN_IN } from '../src/demo/scenario.ts';
import { seedDemo } from '../src/demo/seed.ts';
import { Clock } from '../src/platform/clock/clock.ts';
import type { Config } from '../src/platform/config/config.ts';
import { hashPassword } from '../src/records/accounts/passwords.ts';
import { oneConnectionEach } from './one-connection.test-helper.ts';

/** A Tuesday at noon on which every demo lifter has a session this week. */
export const TODAY = '2026-11-24';

class FixedClock extends Clock {
  override now(): Date {
    return new Date(`${TODAY}T12:00:00Z`);
  }
}

export interface Api {
  readonly app: NestExpressApplication;
  readonly db: DataSource;
  readonly close: () => Promise<void>;
  /** Another process of the same server, on the same database. */
  readonly another: () => Promise<NestExpressApplication>;
}

/** The real application on a database of its own in the PostgreSQL that the test command started. */
export async function startApi(more: Partial<Config> = {}): Promise<Api> {
  const admin = process.env['DATABASE_URL'];
  if (!admin) throw new Error('DATABASE_URL is not set: these tests run through `npm test`.');
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const template = await demoTemplate(admin);
  await sql(admin, `CREATE DATABASE ${name} TEMPLATE ${template} STRATEGY FILE_COPY`);
  const databaseUrl = urlOf(admin, name);
  const app = await application(databaseUrl, more);
  const db = app.get(DataSource);
  const close = async (): Promise<void> => {
    await app.close();
    await sql(admin, `DROP DATABASE ${name} WITH (FORCE)`);
  };
  return { app, db, close, another: () => application(databaseUrl, more) };
}

async function application(databaseUrl: string, more: Partial<Config> = {}): Promise<NestExpressApplication> {
  const config: Config = {
    databaseUrl,
    port: 0,
    host: '127.0.0.1',
    trustProxy: false,
    httpsPort: 0,
    tls: null,
    backups: null,
    demo: DEMO_SIGN_IN,
    clockShiftSeconds: 0,
    secureCookies: false,
    logLevel: 'silent',
    ...more,
  };
  const module = await Test.createTestingModule({ imports: [AppModule.with(config)] })
    .overrideProvider(Clock)
    .useValue(new FixedClock())
    .compile();
  const app = module.createNestApplication<NestExpressApplication>({
    logger: false,
    bodyParser: false,
  });
  prepare(app, config, { addresses: [], authority: undefined });
  await app.init();
  oneConnectionEach(app.get(DataSource));
  return app;
}

const urlOf = (admin: string, name: string): string => admin.replace(/\/[^/]*$/, `/${name}`);

/**
 * A database, migrated and with the demo loaded, that every test's own is copied from: made by whichever test comes first,
 * while the others wait.
 */
async function demoTemplate(admin: string): Promise<string> {
  const name = `demo_${TODAY.replaceAll('-', '_')}`;
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  try {
    await client.query('SELECT pg_advisory_lock($1)', [TEMPLATE_LOCK]);
    const known = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
    if (known.rowCount === 0) {
      await client.query(`DROP DATABASE IF EXISTS ${name}_half`);
      await client.query(`CREATE DATABASE ${name}_half`);
      const app = await application(urlOf(admin, `${name}_half`));
      await seedDemo(app);
      // Every curve is fitted and kept once, not by the first page of every copy: Today looks at all of them.
      const coach = await Coach.signIn({ app });
      await coach.get('/today');
      await coach.send('delete', '/session', undefined, 204);
      await app.close();
      await client.query(`ALTER DATABASE ${name}_half RENAME TO ${name}`);
    }
    return name;
  } finally {
    // The lock goes with the connection.
    await client.end();
  }
}

const TEMPLATE_LOCK = 4810;

async function sql(url: string, text: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(text);
  await client.end();
}

/** A signed-in browser: cookie kept, change token sent. */
export class Coach {
  readonly agent: TestAgent;
  readonly token: string;

  private constructor(agent: TestAgent, token: string) {
    this.agent = agent;
    this.token = token;
  }

  static async signIn(
    { app }: Pick<Api, 'app'>,
    who: { email: string; password: string } = DEMO_COACH,
  ): Promise<Coach> {
    const agent = supertest.agent(app.getHttpServer());
    const answer = await agent
      .post('/api/session')
      .send({ email: who.email, password: who.password })
      .expect(200);
    return new Coach(agent, answer.body.token);
  }

  async get<Answer>(path: string, status = 200): Promise<Answer> {
    const answer = await this.agent.get(`/api${path}`);
    if (answer.status !== status)
      throw new Error(
        `GET ${path} answered ${answer.status}, not ${status}: ${JSON.stringify(answer.body).slice(0, 400)}`,
      );
    return answer.body;
  }

  async send<Answer>(
    method: 'post' | 'put' | 'patch' | 'delete',
    path: string,
    body: object | undefined,
    status: number,
  ): Promise<Answer> {
    const request = this.agent[method](`/api${path}`).set('x-iron-clasp-token', this.token);
    return (await (body ? request.send(body) : request).expect(status)).body;
  }
}

/** Another club with a coach of its own and nobody in it. */
export async function addForeignCoach(
  { db }: Api,
  email = 'else@elsewhere.example',
): Promise<{ email: string; password: string }> {
  const who = { email, password: 'another-club-entirely' };
  const club = randomUUID();
  await db.query('INSERT INTO club (id, name, time_zone) VALUES ($1, $2, $3)', [
    club,
    'Elsewhere',
    'Pacific/Auckland',
  ]);
  await db.query(
    'INSERT INTO account (id, club_id, email, name, role, password_hash) VALUES ($1, $2, $3, $4, $5, $6)',
    [randomUUID(), club, who.email, 'Somebody Else', 'coach', await hashPassword(who.password)],
  );
  return who;
}

/** Somebody else of the demo club, with a role. */
export async function addPerson(
  { db }: Api,
  role: StaffRole,
  email = `${role}-${randomUUID()}@tarnquay.example`,
): Promise<{ id: string; email: string; password: string }> {
  const who = { id: randomUUID(), email, password: 'somebody-of-the-club' };
  const [club] = await db.query<{ id: string }[]>('SELECT club_id AS id FROM account WHERE email = $1', [
    DEMO_COACH.email,
  ]);
  await db.query(
    'INSERT INTO account (id, club_id, email, name, role, password_hash) VALUES ($1, $2, $3, $4, $5, $6)',
    [who.id, club!.id, who.email, `Some ${role}`, role, await hashPassword(who.password)],
  );
  return who;
}
