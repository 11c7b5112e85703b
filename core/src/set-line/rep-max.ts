/** Repetitions in which a load becomes half of the best: the usual working figure of the repetition rule. */
const REPS_TO_HALF = 30;

/**
 * The best of one repetition over the load done for so many, to failure: 1 + (n − 1) / 30. Source: the linear repetition
 * rule of the trade, exact for a single; two to three per cent off up to ten. The one formula for both ways.
 */
export function bestOverLoad(reps: number): number {
  return 1 + (reps - 1) / REPS_TO_HALF;
}
