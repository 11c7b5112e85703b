import type { WelcomeView } from '@iron-clasp/contract';

/** What the process is told from outside; read once, at start. */
export interface Config {
  readonly databaseUrl: string;
  readonly port: number;
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
  const port = Number(env['IRON_CLASP_PORT'] ?? 4810);
  if (!Number.isInteger(port) || port < 0 || port > 65535) {
    throw new Error(
      `IRON_CLASP_PORT must be a port number from 0 to 65535; it is "${env['IRON_CLASP_PORT']}".`,
    );
  }
  const clockShiftSeconds = Number(env['IRON_CLASP_CLOCK_SHIFT_SECONDS'] ?? 0);
  if (!Number.isInteger(clockShiftSeconds) || Math.abs(clockShiftSeconds) > MOST_SHIFT) {
    throw new Error(
      `IRON_CLASP_CLOCK_SHIFT_SECONDS must be a whole number of seconds, of at most twenty years; it is "${env['IRON_CLASP_CLOCK_SHIFT_SECONDS']}".`,
    );
  }
  return {
    databaseUrl,
    clockShiftSeconds,
    port,
    demo: env['IRON_CLASP_DEMO'] === 'off' ? null : demo,
    ...(env['IRON_CLASP_WEB'] && { webRoot: env['IRON_CLASP_WEB'] }),
    secureCookies: env['IRON_CLASP_SECURE_COOKIES'] === 'on',
    logLevel:
      env['IRON_CLASP_LOG'] === 'silent' ? 'silent' : env['IRON_CLASP_LOG'] === 'debug' ? 'debug' : 'info',
  };
}
