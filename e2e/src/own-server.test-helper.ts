import { createHash, X509Certificate } from 'node:crypto';
import { readFileSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { freePort, temporaryFolder } from '../../tools/lib/machine.mjs';
import { startPostgres } from '../../tools/lib/postgres.mjs';
import { startServer } from '../../tools/lib/server.mjs';
import { spread } from '../../tools/lib/spread.mjs';
import { copyOf, DemoDatabase } from './served-copy.test-helper.ts';

const ROOT = join(import.meta.dirname, '..', '..');

/** A server of a test's own, on a database of its own, to be killed and started again at the same address. */
export class OwnServer extends DemoDatabase {
  readonly #url: string;
  readonly #port: number;
  readonly #others: { readonly port: number; running: Awaited<ReturnType<typeof startServer>> }[] = [];
  #proxy: Awaited<ReturnType<typeof spread>> | undefined;
  #running: Awaited<ReturnType<typeof startServer>> | null = null;

  #secure: { readonly url: string; readonly hash: string } | null = null;
  readonly #folders: string[] = [];
  #env: Readonly<Record<string, string>> = {};
  /** What the server has said. */
  #words = '';

  /** A cluster of its own, where the test stops the database. */
  #cluster: { readonly data: string; running: Awaited<ReturnType<typeof startPostgres>> } | null = null;

  private constructor(port: number, database: string) {
    super(database);
    this.#port = port;
    this.#url = `http://127.0.0.1:${port}`;
  }

  get url(): string {
    return this.#proxy?.url ?? this.#url;
  }

  /** The same with a PostgreSQL of its own, to be stopped and started. */
  static async withOwnPostgres(): Promise<OwnServer> {
    const data = join(temporaryFolder('iron-clasp-own-'), 'postgres');
    const running = await startPostgres(data, { settings: { fsync: 'off' } });
    const server = new OwnServer(await freePort(), running.url);
    server.#cluster = { data, running };
    await server.up();
    return server;
  }

  stopPostgres(): void {
    this.#cluster!.running.stop();
  }

  /** Starts it again where it was. */
  async startPostgres(): Promise<void> {
    const { data } = this.#cluster!;
    const { port } = new URL(this.database);
    this.#cluster!.running = await startPostgres(data, { settings: { fsync: 'off', port } });
  }

  /** On a copy of the demo. */
  static start(): Promise<OwnServer> {
    return OwnServer.on(process.env['IRON_CLASP_E2E_TEMPLATE']!, {});
  }

  /** Several processes on one copy of the demo, with a proxy before them that binds nobody to one. */
  static async several(processes: number): Promise<OwnServer> {
    const server = await OwnServer.on(process.env['IRON_CLASP_E2E_TEMPLATE']!, {});
    for (let i = 1; i < processes; i++) {
      const port = await freePort();
      server.#others.push({ port, running: await server.#serve(port) });
    }
    server.#proxy = await spread([server.#port, ...server.#others.map(({ port }) => port)], 0);
    return server;
  }

  /** Kills one of several, without a goodbye, and gives what starts it again. */
  async killOne(which: number): Promise<() => Promise<void>> {
    if (which === 0) {
      await this.kill();
      return () => this.up();
    }
    const other = this.#others[which - 1]!;
    other.running.child.kill('SIGKILL');
    await other.running.ended;
    return async () => {
      other.running = await this.#serve(other.port);
    };
  }

  /** Without the demo and without anything: as on a machine on which it was just installed; with https under this name. */
  static async empty(name: string): Promise<OwnServer> {
    const tls = temporaryFolder('iron-clasp-tls-');
    const port = await freePort();
    const server = await OwnServer.on('template0', {
      ...{ IRON_CLASP_DEMO: 'off', IRON_CLASP_TLS: 'own', IRON_CLASP_TLS_FOLDER: tls },
      IRON_CLASP_BACKUPS: join(tls, 'backups'),
      ...{ IRON_CLASP_NAMES: name, IRON_CLASP_HTTPS_PORT: String(port) },
    });
    const key = new X509Certificate(readFileSync(join(tls, 'server.crt'))).publicKey;
    const hash = createHash('sha256')
      .update(key.export({ type: 'spki', format: 'der' }))
      .digest('base64');
    server.#secure = { url: `https://${name}:${port}`, hash };
    server.#folders.push(tls);
    return server;
  }

  /** How another device of the network comes to it: by its name, over https, with its authority trusted. */
  get secure(): { readonly url: string; readonly flags: readonly string[] } {
    const { url, hash } = this.#secure!;
    const { hostname } = new URL(url);
    return {
      url,
      flags: [
        `--host-resolver-rules=MAP ${hostname} 127.0.0.1`,
        `--ignore-certificate-errors-spki-list=${hash}`,
      ],
    };
  }

  private static async on(template: string, env: Readonly<Record<string, string>>): Promise<OwnServer> {
    const server = new OwnServer(await freePort(), await copyOf(template));
    server.#env = env;
    await server.up();
    return server;
  }

  /** The code that the terminal showed last, where there is no club yet. */
  get code(): string {
    return [...this.#words.matchAll(/Code to start a club of your own: (\S+)/g)].at(-1)![1]!;
  }

  /** Serves, with these pages where another version of them is wanted. */
  async up(web?: string): Promise<void> {
    this.#running = await this.#serve(this.#port, web);
  }

  #serve(port: number, web?: string): Promise<Awaited<ReturnType<typeof startServer>>> {
    return startServer(ROOT, {
      ...{ databaseUrl: this.database, port },
      env: { IRON_CLASP_LOG: 'silent', ...this.#env, ...(web && { IRON_CLASP_WEB: web }) },
      onOutput: (text: string) => (this.#words += text),
    });
  }

  /** As a power cut would: no goodbye. */
  async kill(): Promise<void> {
    this.#running?.child.kill('SIGKILL');
    await this.#running?.ended;
    this.#running = null;
  }

  async stop(): Promise<void> {
    await this.#proxy?.close();
    for (const { running } of this.#others) await running.stop();
    await this.#running?.stop();
    for (const folder of this.#folders) rmSync(folder, { recursive: true, force: true });
    this.#cluster?.running.remove();
    if (this.#cluster) rmSync(dirname(this.#cluster.data), { recursive: true, force: true });
  }
}
