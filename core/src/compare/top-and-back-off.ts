import { GRIP_CHOICES, type GripChoice } from '../calls/types.ts';
import { shareRange } from '../statistics/share-range.ts';
import type { Estimate } from '../statistics/estimate.ts';
import { bool, day, listOf, oneOf, record, type Check } from '../shape.ts';

/** A session's top singles beside the back-off work that followed or went before. */
export interface TopAndBackOff {
  readonly on: string;
  readonly topGrip: GripChoice;
  readonly topSlipped: boolean;
  readonly backOffGrip: GripChoice;
  readonly backOffSlipped: boolean;
}

/** How well back-off work in one grip foretold top singles in another. */
export interface BackOffForetelling {
  readonly topGrip: GripChoice;
  readonly backOffGrip: GripChoice;
  readonly sessions: number;
  /** Share of top singles that slipped though the back-off work of the pairing went well, 80 % range; null where none did. */
  readonly slippedAfterClean: Estimate | null;
  readonly cleanSessions: number;
  /** The same where the back-off work slipped too; null where it never did. */
  readonly slippedAfterSlip: Estimate | null;
  /** True where clean back-offs hid slipping singles: the trap. */
  readonly trap: boolean;
  readonly words: string;
}

/** Clean sessions from which something can be said. */
const ENOUGH = 4;
/** Share of slipping singles behind clean back-offs from which it is a trap, at the low end of the range. */
const TRAP_SHARE = 0.1;

const NAMES: Readonly<Record<GripChoice, string>> = {
  doubleOverhand: 'double overhand',
  mixed: 'mixed',
  hook: 'hooked',
  straps: 'strapped',
};

const sessionCheck: Check = record<TopAndBackOff>({
  on: day,
  topGrip: oneOf(GRIP_CHOICES),
  topSlipped: bool,
  backOffGrip: oneOf(GRIP_CHOICES),
  backOffSlipped: bool,
});

/**
 * How each pairing of top-set and back-off grip foretold the single: of the sessions whose back-off work went well, how
 * many singles slipped all the same. A strapped back-off cannot slip, so it says nothing about the hand; this shows by how
 * much. Shares with their 80 % ranges; the pairing with most sessions first.
 * @throws InvalidInputError naming the session and field that cannot be used.
 * @example
 * topAndBackOff(Array.from({ length: 8 }, (_, i) => ({ on: '2026-11-01', topGrip: 'hook', topSlipped: i < 4, backOffGrip: 'straps', backOffSlipped: false })))[0].trap
 * // true
 */
export function topAndBackOff(sessions: readonly TopAndBackOff[]): BackOffForetelling[] {
  listOf(sessionCheck, 10_000)('sessions', sessions);
  const pairs = new Map<string, TopAndBackOff[]>();
  for (const each of sessions) {
    const key = `${each.topGrip} ${each.backOffGrip}`;
    pairs.set(key, [...(pairs.get(key) ?? []), each]);
  }
  return [...pairs.values()].map(foretelling).sort((a, b) => b.sessions - a.sessions);
}

function foretelling(all: readonly TopAndBackOff[]): BackOffForetelling {
  const { topGrip, backOffGrip } = all[0]!;
  const clean = all.filter((each) => !each.backOffSlipped);
  const slipped = all.filter((each) => each.backOffSlipped);
  const share = (list: readonly TopAndBackOff[]): Estimate | null =>
    list.length ? shareRange(list.filter((each) => each.topSlipped).length, list.length) : null;
  const slippedAfterClean = share(clean);
  const lost = clean.filter((each) => each.topSlipped).length;
  const trap = clean.length >= ENOUGH && slippedAfterClean!.low > TRAP_SHARE;
  const pair = `${NAMES[backOffGrip]} back-offs with ${NAMES[topGrip]} top sets`;
  const words =
    clean.length < ENOUGH
      ? `${pair}: too few sessions to say.`
      : trap
        ? `${pair}: the back-offs went well ${clean.length} times, and the top set slipped in ${lost} of them. They do not foretell the single.`
        : `${pair}: the back-offs went well ${clean.length} times, and the top set held in ${clean.length - lost} of them.`;
  return {
    topGrip,
    backOffGrip,
    sessions: all.length,
    slippedAfterClean,
    cleanSessions: clean.length,
    slippedAfterSlip: share(slipped),
    trap,
    words: words[0]!.toUpperCase() + words.slice(1),
  };
}
