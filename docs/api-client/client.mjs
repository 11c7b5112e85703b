/**
 * A client of Iron Clasp's API without a single package: prints who trains today and what each should grip, and logs a set.
 *
 *   IRON_CLASP_URL=http://127.0.0.1:4810 IRON_CLASP_TOKEN=ironclasp_… node docs/api-client/client.mjs
 *   … node docs/api-client/client.mjs log "Noor Haddad"      logs the next set of hers as it was called
 *
 * Runs in the tests (`server/test/api-tokens.test.ts`): what stands here works.
 */
import { randomUUID } from 'node:crypto';
import { pathToFileURL } from 'node:url';

/** Asks the API; throws an error that says what to do for anything but success. */
export async function ask(at, method, path, body) {
  const answer = await fetch(`${at.url}/api${path}`, {
    method,
    headers: {
      authorization: `Bearer ${at.token}`,
      accept: 'application/json',
      ...(body && { 'content-type': 'application/json' }),
    },
    body: body && JSON.stringify(body),
    signal: AbortSignal.timeout(60_000),
  });
  // What was done is dated by the server's clock: that of a device may be wrong.
  at.time = answer.headers.get('date');
  const read = answer.status === 204 ? undefined : await answer.json();
  if (answer.ok) return read;
  const error = new Error(read?.error?.message ?? `HTTP ${answer.status}`);
  // Of 429 and 5xx nothing was changed, and the same request may be sent again; of others it would be refused again.
  error.again = answer.status === 429 || answer.status >= 500;
  throw error;
}

/** The sessions of today, each with the calls of its sets. */
export async function today(at) {
  const { sessions } = await ask(at, 'GET', '/today');
  return Promise.all(
    sessions.map(async ({ id, lifterName, title, stop }) => {
      const { session, sets } = await ask(at, 'GET', `/sessions/${id}/calls`);
      return { id, lifterName, title, stop, chalk: session.venue.chalk, sets };
    }),
  );
}

/** A set in one line: what is lifted and how it is gripped. */
export const inWords = ({ liftName, loading, reps, call }) =>
  `${liftName} ${loading.total} kg × ${reps}: ${call.choice ?? (call.verdict === 'barred' ? 'not today' : 'as you like')}`;

/**
 * Logs a set as it was called. Its id is made here: sent again after an answer that was lost, nothing is kept twice; sent again
 * with other content it is refused.
 */
export function logAsCalled(at, { id: sessionId, chalk }, set, id = randomUUID()) {
  const { grip, choice, sideUnder } = set.call;
  return ask(at, 'PUT', `/sessions/${sessionId}/sets/${id}`, {
    plannedSetId: set.id,
    load: set.loading.total,
    reps: set.reps,
    grip: grip ?? 'doubleOverhand',
    strapped: choice === 'straps',
    ...(sideUnder && { sideUnder }),
    chalk: choice === null || set.call.chalk.kind === 'none' ? 'none' : chalk,
    doneAt: new Date(at.time).toISOString(),
  });
}

async function main([command, name]) {
  const { IRON_CLASP_URL: url = 'http://127.0.0.1:4810', IRON_CLASP_TOKEN: token } = process.env;
  if (!token) throw new Error('Set IRON_CLASP_TOKEN to a token that an owner made under Club, API.');
  const at = { url, token };
  const sessions = await today(at);
  if (command === 'log') {
    const session = sessions.find(({ lifterName }) => lifterName === name);
    const set = session?.sets.find(({ done }) => done === null);
    if (!set) throw new Error(`${name} has no set left today.`);
    await logAsCalled(at, session, set);
    console.log(`Logged: ${inWords(set)}`);
    return;
  }
  for (const { lifterName, title, stop, sets } of sessions) {
    console.log(`${lifterName}, ${title}${stop ? `: ${stop}` : ''}`);
    for (const set of stop ? [] : sets) console.log(`  ${inWords(set)}`);
  }
}

if (import.meta.url === pathToFileURL(process.argv[1]).href)
  main(process.argv.slice(2)).catch((error) => {
    console.error(error.message);
    process.exitCode = 1;
  });
