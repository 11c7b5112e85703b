import { checkWhole } from '../check.ts';

/** Chalked sets after which a bar is brushed where nobody has said otherwise: about three evenings of a small club. */
export const USUAL_BRUSHING_SETS = 150;

export interface Brushing {
  readonly due: boolean;
  /** Chalked sets left until it is due; 0 where it is. */
  readonly setsLeft: number;
  /** Share of the interval that is used up; above 1 where it is overdue. */
  readonly share: number;
}

/**
 * Does a bar need brushing? Chalk packs into the knurl set by set; a clogged knurl holds less, whoever grips it.
 * @param chalkedSets sets done on the bar with chalk since it was brushed.
 * @param every sets between brushings, as the club has decided for the bar.
 * @throws InvalidInputError for figures that are no counts.
 * @example brushing(120, 150).setsLeft // 30
 * @example brushing(160, 150).due // true
 */
export function brushing(chalkedSets: number, every: number = USUAL_BRUSHING_SETS): Brushing {
  checkWhole('chalkedSets', chalkedSets, 0, 1e9);
  checkWhole('every', every, 1, 100_000);
  return {
    due: chalkedSets >= every,
    setsLeft: Math.max(0, every - chalkedSets),
    share: chalkedSets / every,
  };
}
