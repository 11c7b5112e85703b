import type { WelcomeView } from '@iron-clasp/contract';
import { isLoopback } from '../tls/names.ts';

/** What the process is told from outside; read once, at start. */
export interface Config {
  readonly databaseUrl: string;
  readonly port: number;
  /** Network address that the server listens on; loopback unless told otherwise. */
  readonly host: string;
  /** Where backups are kept, and for how many days; null where none are made. */
  readonly backups: { readonly folder: string; readonly keepDays: number } | null;
  /** Port of https, where the server serves it. */
  readonly httpsPort: number;
  /** Where https comes from: a certificate of the machine's own, kept in a folder, or one that is given; null for plain http. */
  readonly tls:
    | ({ readonly names: readonly string[] } & (
        | { readonly folder: string }
        | { readonly cert: string; readonly key: string }
      ))
    | null;
  /** Whose word on the address and name a request came with is taken: nobody's, or that many proxies in front. */
  readonly trustProxy: false | number;
  /** The sign-in of the demo club, shown to whoever comes; null where there is no demo. */
  readonly demo: WelcomeView['demo'];
  /** Folder of the built web application; left out, only the API is served. */
  readonly webRoot?: string;
  /** Cookies only over https; off on loopback. */
  readonly secureCookies: boolean;
  /** Seconds by which the process's clock is moved: the browser tests live on a moment of their own. */
  readonly clockShiftSeconds: number;
  readonly logLevel: 'silent' | 'info' | 'debug';
}

/** Twenty years, s. */
const MOST_SHIFT = 20 * 365 * 86_400;

/**
 * Reads the configuration from the environment; throws with the variable's name where one is missing or wrong.
 * @param demo the sign-in of the demo, where it is not switched off.
 */
export function configFrom(env: NodeJS.ProcessEnv, demo: WelcomeView['demo']): Config {
  const databaseUrl = env['DATABASE_URL'];
  if (!databaseUrl)
    throw new Error('DATABASE_URL is not set: name the PostgreSQL to use, or run `npm start`.');
  const port = portOf(env, 'IRON_CLASP_PORT', 4810);
  const clockShiftSeconds = Number(env['IRON_CLASP_CLOCK_SHIFT_SECONDS'] ?? 0);
  if (!Number.isInteger(clockShiftSeconds) || Math.abs(clockShiftSeconds) > MOST_SHIFT) {
    throw new Error(
      `IRON_CLASP_CLOCK_SHIFT_SECONDS must be a whole number of seconds, of at most twenty years; it is "${env['IRON_CLASP_CLOCK_SHIFT_SECONDS']}".`,
    );
  }
  const httpsPort = portOf(env, 'IRON_CLASP_HTTPS_PORT', 4843);
  const trustProxy = Number(env['IRON_CLASP_TRUST_PROXY'] || 0);
  if (!Number.isInteger(trustProxy) || trustProxy < 0 || trustProxy > 5)
    throw new Error(
      `IRON_CLASP_TRUST_PROXY must be the number of proxies in front of the server, 0 to 5; it is "${env['IRON_CLASP_TRUST_PROXY']}".`,
    );
  const host = env['IRON_CLASP_HOST'] || '127.0.0.1';
  return {
    databaseUrl,
    host,
    httpsPort,
    backups: backupsOf(env),
    tls: tlsOf(env, host, trustProxy > 0),
    trustProxy: trustProxy === 0 ? false : trustProxy,
    clockShiftSeconds,
    port,
    demo: env['IRON_CLASP_DEMO'] === 'off' ? null : demo,
    ...(env['IRON_CLASP_WEB'] && { webRoot: env['IRON_CLASP_WEB'] }),
    secureCookies: env['IRON_CLASP_SECURE_COOKIES'] === 'on',
    logLevel:
      env['IRON_CLASP_LOG'] === 'silent' ? 'silent' : env['IRON_CLASP_LOG'] === 'debug' ? 'debug' : 'info',
  };
}

function backupsOf(env: NodeJS.ProcessEnv): Config['backups'] {
  const folder = env['IRON_CLASP_BACKUPS'];
  const keepDays = Number(env['IRON_CLASP_BACKUP_DAYS'] || 30);
  if (!Number.isInteger(keepDays) || keepDays < 1 || keepDays > 3650)
    throw new Error(
      `IRON_CLASP_BACKUP_DAYS must be a whole number of days, 1 to 3650; it is "${env['IRON_CLASP_BACKUP_DAYS']}".`,
    );
  return folder ? { folder, keepDays } : null;
}

function portOf(env: NodeJS.ProcessEnv, variable: string, usual: number): number {
  const port = Number(env[variable] ?? usual);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`${variable} must be a port number from 0 to 65535; it is "${env[variable]}".`);
  return port;
}

/**
 * Https: by a given certificate where one is named; by the machine's own where it listens to other machines and no proxy speaks
 * https for it; `IRON_CLASP_TLS` says otherwise.
 */
function tlsOf(env: NodeJS.ProcessEnv, host: string, proxied: boolean): Config['tls'] {
  const names = (env['IRON_CLASP_NAMES'] ?? '')
    .split(',')
    .map((name) => name.trim())
    .filter((name) => name !== '');
  const [cert, key] = [env['IRON_CLASP_TLS_CERT'], env['IRON_CLASP_TLS_KEY']];
  if (Boolean(cert) !== Boolean(key))
    throw new Error('IRON_CLASP_TLS_CERT and IRON_CLASP_TLS_KEY go together: name both, or neither.');
  if (cert && key) return { names, cert, key };
  const wanted = env['IRON_CLASP_TLS'] || (isLoopback(host) || proxied ? 'off' : 'own');
  if (wanted !== 'own' && wanted !== 'off')
    throw new Error(`IRON_CLASP_TLS must be own or off; it is "${wanted}".`);
  return wanted === 'own' ? { names, folder: env['IRON_CLASP_TLS_FOLDER'] || '.data/tls' } : null;
}
