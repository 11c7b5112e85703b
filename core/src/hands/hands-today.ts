import { handsCheck } from '../calls/check-call.ts';
import { checkDay } from '../check.ts';
import { daysBetween } from '../days.ts';
import { day, listOf, record, type Check } from '../shape.ts';
import {
  PAIN_PARTS,
  PAINS,
  SIDES,
  SOUND_HAND,
  type HandsToday,
  type HandToday,
  type Side,
} from './hand-state.ts';

/** A dated hands check. */
export interface HandsCheck {
  readonly on: string;
  readonly hands: HandsToday;
}

/** The hands on a day, as far as the checks know. */
export interface HandsNow {
  readonly hands: HandsToday;
  /** Day of the check they rest on; undefined where there was none. */
  readonly checkedOn?: string;
  /** Days since; undefined where there was none. */
  readonly daysOld?: number;
  /** True where the check is too old, or missing, to be relied on: ask again. */
  readonly stale: boolean;
  /** What has changed since the check before, as one would say it. */
  readonly changes: readonly string[];
}

/** Days after which skin and pain have to be looked at again: a callus tears or heals in a week. */
export const HANDS_CHECK_HOLDS_DAYS = 7;

const checksCheck: Check = listOf(record<HandsCheck>({ on: day, hands: handsCheck }), 10_000);

/**
 * The hands on a day from the dated checks up to it: the latest counts, and is stale after a week. Without a check the
 * hands are taken as sound, and stale.
 * @throws InvalidInputError naming the check and field that cannot be used.
 * @example handsOn([], '2026-11-25').stale // true
 */
export function handsOn(checks: readonly HandsCheck[], today: string): HandsNow {
  checksCheck('checks', checks);
  checkDay('today', today);
  const [latest, before] = checks
    .filter((check) => check.on <= today)
    .sort((a, b) => b.on.localeCompare(a.on));
  if (!latest) return { hands: { left: SOUND_HAND, right: SOUND_HAND }, stale: true, changes: [] };
  const daysOld = daysBetween(latest.on, today);
  return {
    hands: latest.hands,
    checkedOn: latest.on,
    daysOld,
    stale: daysOld > HANDS_CHECK_HOLDS_DAYS,
    changes: before
      ? [
          ...(before.hands.unwell === latest.hands.unwell
            ? []
            : [latest.hands.unwell ? 'unwell' : 'no longer unwell']),
          ...SIDES.flatMap((side) => changesOf(side, before.hands[side], latest.hands[side])),
        ]
      : [],
  };
}

/** A change of pain, 0–10, that is worth a word. */
const PAIN_CHANGE = 2;

function changesOf(side: Side, before: HandToday, now: HandToday): string[] {
  const changes: string[] = [];
  for (const part of ['palm', 'thumb', 'finger'] as const)
    if (before[part] !== now[part]) changes.push(`${side} ${part}: ${before[part]} to ${now[part]}`);
  if ((before.nail ?? 'sound') !== (now.nail ?? 'sound'))
    changes.push(`${side} thumb nail: ${before.nail ?? 'sound'} to ${now.nail ?? 'sound'}`);
  if (before.numb !== now.numb) changes.push(`${side} hand: ${now.numb ? 'numb' : 'no longer numb'}`);
  for (const part of PAIN_PARTS) {
    const [was, is] = [before[part] ?? 0, now[part] ?? 0];
    if (Math.abs(was - is) >= PAIN_CHANGE) changes.push(`${side} ${PAINS[part]} pain: ${was} to ${is}`);
  }
  return changes;
}
