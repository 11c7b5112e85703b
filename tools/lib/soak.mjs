import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { freePort } from './machine.mjs';
import { startServer } from './server.mjs';
import { signIn } from './sign-in.mjs';
import { spread } from './spread.mjs';

/** A small seeded stream of numbers on [0, 1): the same seed plays the same soak. */
function stream(seed) {
  let state = seed >>> 0 || 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 2 ** 32;
  };
}

/**
 * Plays sessions against one or several processes of the server behind a proxy, one of which is killed at random, without a
 * goodbye, while entries are on their way. Every entry is sent until it is acknowledged, as a device does; at the end what was
 * acknowledged is compared with what is stored.
 * @returns how many were acknowledged, and how many of them were lost or stored twice.
 */
export async function soak(root, { databaseUrl, processes = 1, rounds, seed, say = () => {} }) {
  const random = stream(seed);
  const ports = [];
  for (let i = 0; i < processes; i++) ports.push(await freePort());
  const up = (port) => startServer(root, { databaseUrl, port, env: { IRON_CLASP_LOG: 'silent' } });
  const servers = await Promise.all(ports.map(up));
  const proxy = await spread(ports, 0);
  const { url } = proxy;
  const { headers } = await signIn(url);
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const { rows: sets } = await client.query(
    `SELECT p.id, p.session_id, p.load, p.reps FROM planned_set p JOIN training_session t ON t.id = p.session_id
      WHERE NOT t.finished ORDER BY t.held_on, t.id, p.place`,
  );
  if (8 * rounds > sets.length)
    throw new Error(`At most ${Math.floor(sets.length / 8)} rounds: the demo has no more planned sets.`);
  /** What each acknowledged entry must be in the end: stored, or taken back. */
  const acknowledged = new Map();
  let [kills, resent, next] = [0, 0, 0];

  /** Sends until an answer comes: the server may be dead, or dying. */
  const send = async (method, path, body) => {
    for (let tries = 0; ; tries++) {
      if (tries > 0) resent += 1;
      const answer = await fetch(`${url}/api${path}`, { method, headers, ...(body && { body }) }).catch(
        () => null,
      );
      if (answer?.ok || answer?.status === 404) return answer.arrayBuffer().catch(() => null);
      if (answer && answer.status < 500)
        throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  };
  const play = async () => {
    for (let i = 0; i < 8; i++) {
      const set = sets[next++ % sets.length];
      const id = randomUUID();
      const body = JSON.stringify({
        plannedSetId: set.id,
        load: set.load,
        reps: set.reps,
        grip: 'hook',
        strapped: random() < 0.3,
        chalk: 'block',
        doneAt: new Date().toISOString(),
      });
      await send('PUT', `/sessions/${set.session_id}/sets/${id}`, body);
      acknowledged.set(id, 'stored');
      if (random() < 0.25) {
        await send('DELETE', `/sets/${id}`);
        acknowledged.set(id, 'taken back');
      }
    }
  };
  for (let round = 1; round <= rounds; round++) {
    const playing = play();
    await new Promise((resolve) => setTimeout(resolve, 20 + 400 * random()));
    const which = round % processes;
    servers[which].child.kill('SIGKILL');
    await servers[which].ended;
    kills += 1;
    servers[which] = await up(ports[which]);
    await playing;
    say(`round ${round}: ${acknowledged.size} acknowledged`);
  }
  const { rows } = await client.query(
    'SELECT id, planned_set_id, undone_at FROM logged_set WHERE planned_set_id IS NOT NULL',
  );
  await client.end();
  await proxy.close();
  for (const server of servers) await server.stop();
  const stored = new Map(rows.map((row) => [row.id, row.undone_at ? 'taken back' : 'stored']));
  const lost = [...acknowledged].filter(([id, state]) => stored.get(id) !== state).length;
  const live = rows.filter((row) => !row.undone_at).map((row) => row.planned_set_id);
  const doubled = live.length - new Set(live).size + rows.filter((row) => !acknowledged.has(row.id)).length;
  return { acknowledged: acknowledged.size, kills, resent, lost, doubled };
}
