import { addDays } from '../days.ts';
import { checkDay } from '../check.ts';
import { bool, day, listOf, record, type Check } from '../shape.ts';

/** A set of pulling work, as far as straps go. */
export interface StrapUse {
  /** Day, YYYY-MM-DD. */
  readonly on: string;
  readonly strapped: boolean;
}

/** Days before the change over which straps must have been usual. */
const LOOKS_BACK_DAYS = 28;
/** Share of the sets from which they were. */
const USUAL_SHARE = 0.3;
/** Days of pulling without any from which they are off, and not just left at home. */
const DAYS_WITHOUT = 2;

const usesCheck: Check = listOf(record<StrapUse>({ on: day, strapped: bool }), 100_000);

/**
 * The first day of pulling without straps, where they were usual before and nothing was strapped since: taking them off is
 * added grip work. Undefined where they still are used, never were, or nobody can tell yet.
 * @throws InvalidInputError naming the row or day that cannot be used.
 * @example
 * strapsOffOn([{ on: '2026-11-02', strapped: true }, { on: '2026-11-09', strapped: false }, { on: '2026-11-12', strapped: false }], '2026-11-13')
 * // '2026-11-09'
 */
export function strapsOffOn(uses: readonly StrapUse[], today: string): string | undefined {
  usesCheck('uses', uses);
  checkDay('today', today);
  const past = uses.filter((each) => each.on <= today);
  const last = past.reduce((latest, each) => (each.strapped && each.on > latest ? each.on : latest), '');
  if (!last) return undefined;
  const days = [...new Set(past.filter((each) => each.on > last).map((each) => each.on))].sort();
  if (days.length < DAYS_WITHOUT) return undefined;
  const before = past.filter((each) => each.on <= last && each.on > addDays(last, -LOOKS_BACK_DAYS));
  const share = before.filter((each) => each.strapped).length / before.length;
  return share >= USUAL_SHARE ? days[0] : undefined;
}
