import { daysBetween } from '../days.ts';
import { checkDay } from '../check.ts';
import { liftOf } from '../set-demand/lifts.ts';
import { day, listOf, record, text, type Check } from '../shape.ts';

/** Something done, as far as it can fill a week with grip work. */
export interface GripWorkDone {
  /** Day, YYYY-MM-DD. */
  readonly on: string;
  readonly liftId: string;
}

/** Days of carries, stones or thick bars within seven from which the week is full of grip work. */
export const FULL_WEEK_DAYS = 3;
/** Handle, mm, from which a pull is a thick-bar pull. */
const THICK_MM = 45;

const doneCheck: Check = listOf(record<GripWorkDone>({ on: day, liftId: text(60) }), 100_000);

/**
 * Is the week already full of grip work: carries, stones, thick bars on at least {@link FULL_WEEK_DAYS} of the seven days
 * up to and with `today`? Schools that strap then look at this.
 * @throws InvalidInputError naming the row, day or lift that cannot be used.
 * @example isGripWeekFull([{ on: '2026-11-24', liftId: 'carry.handles' }], '2026-11-26') // false
 */
export function isGripWeekFull(done: readonly GripWorkDone[], today: string): boolean {
  doneCheck('done', done);
  checkDay('today', today);
  const days = done.flatMap(({ on, liftId }, i) => {
    const lift = liftOf(liftId, `done[${i}].liftId`);
    const ago = daysBetween(on, today);
    const counts =
      lift.family === 'carry' || lift.kind === 'openHand' || (lift.grips && (lift.diameter ?? 0) >= THICK_MM);
    return counts && ago >= 0 && ago < 7 ? [on] : [];
  });
  return new Set(days).size >= FULL_WEEK_DAYS;
}
