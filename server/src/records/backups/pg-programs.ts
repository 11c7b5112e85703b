import { spawn } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

const DEBIAN_HOME = '/usr/lib/postgresql';

/** Folder of pg_dump and pg_restore: where Debian puts the newest, else somewhere on the path; undefined where there is none. */
export function findPrograms(): string | undefined {
  const versions = existsSync(DEBIAN_HOME) ? readdirSync(DEBIAN_HOME).map(Number).filter(Boolean) : [];
  const homes = versions.sort((a, b) => b - a).map((each) => join(DEBIAN_HOME, String(each), 'bin'));
  return [...homes, ...(process.env['PATH'] ?? '').split(':')].find(
    (folder) => existsSync(join(folder, 'pg_dump')) && existsSync(join(folder, 'pg_restore')),
  );
}

/** How a program is told which database it works on: by its environment, where no list of processes shows the password. */
export function connectionEnv(databaseUrl: string, database?: string): NodeJS.ProcessEnv {
  const { hostname, port, username, password, pathname } = new URL(databaseUrl);
  return {
    PGHOST: hostname.replace(/^\[|\]$/g, ''),
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: database ?? decodeURIComponent(pathname.slice(1)),
  };
}

/** Address of another database of the same server. */
export function databaseBeside(databaseUrl: string, name: string): string {
  const url = new URL(databaseUrl);
  url.pathname = `/${name}`;
  return url.href;
}

/** Runs one of PostgreSQL's programs; throws with its last words where it fails. */
export async function runProgram(
  program: 'pg_dump' | 'pg_restore',
  args: readonly string[],
  env: NodeJS.ProcessEnv,
): Promise<void> {
  const folder = findPrograms();
  if (!folder)
    throw new Error(
      'PostgreSQL’s pg_dump and pg_restore are not on this machine: install postgresql-client.',
    );
  const child = spawn(join(folder, program), args, {
    env: { PATH: process.env['PATH'], ...env },
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let words = '';
  child.stderr.setEncoding('utf8').on('data', (text: string) => (words = (words + text).slice(-2000)));
  const code = await new Promise<number | null>((resolve, reject) => {
    child.once('error', reject);
    child.once('close', resolve);
  });
  if (code !== 0) throw new Error(lastLine(words) ?? `${program} ended with code ${code}.`);
}

const lastLine = (words: string): string | undefined =>
  words
    .split('\n')
    .map((line) => line.trim())
    .findLast((line) => line !== '');
