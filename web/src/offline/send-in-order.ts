import type { Queued } from './queue.ts';

/**
 * What became of an entry that was sent: the server has it, will never take it, cannot now (a fault of its own, or too many
 * at once), did not answer at all, or no longer knows who is asking.
 */
export type Fate = 'kept' | 'refused' | 'later' | 'unreachable' | 'signedOut';

/** How a round of sending ended: nothing is left to send, something has to be tried again, or somebody has to sign in. */
export type Round = 'done' | 'again' | 'signedOut';

/**
 * Sends what waits, oldest first. Within a scope the order is kept: after an entry that cannot go now, nothing later of that
 * scope is sent, while others go on. Without an answer from the server nothing else is tried.
 * @param waiting what is to be sent as it stands now: an entry that is kept or refused is no longer among it.
 */
export async function sendInOrder<Entry extends Queued>(
  waiting: () => readonly Entry[],
  send: (entry: Entry) => Promise<Fate>,
): Promise<Round> {
  const held = new Set<string>();
  for (;;) {
    const next = waiting().find((entry) => !held.has(entry.scope));
    if (!next) return held.size > 0 ? 'again' : 'done';
    const fate = await send(next);
    if (fate === 'signedOut') return 'signedOut';
    if (fate === 'unreachable') return 'again';
    if (fate === 'later') held.add(next.scope);
  }
}

const FIRST_MS = 1_000;
const LONGEST_MS = 15_000;

/** How long to wait before the next round, ms, after so many that ended with something left. */
export const waitBeforeRound = (failures: number): number =>
  Math.min(LONGEST_MS, FIRST_MS * 2 ** Math.max(0, failures - 1));
