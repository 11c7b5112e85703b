import { skinBudget } from '@iron-clasp/core';
import { mondayOf } from '../../platform/days/club-day.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import type { LoggedSet } from '../../records/log/log.entity.ts';
import { demandOfLogged } from './demand-of-logged.ts';

/** The skin budget of the week that a day lies in: what was hooked from its Monday on, against what the stage allows. */
export function hookBudget(
  { hookStage, deadliftMax }: Pick<Lifter, 'hookStage' | 'deadliftMax'>,
  sets: readonly LoggedSet[],
  day: string,
): ReturnType<typeof skinBudget> {
  const monday = mondayOf(day);
  const hooked = sets.filter((set) => set.grip === 'hook' && !set.strapped && set.trainingDay >= monday);
  return skinBudget(hookStage, deadliftMax, hooked.map(demandOfLogged));
}
