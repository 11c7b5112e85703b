import { setDemand, type SetDemand } from '@iron-clasp/core';
import type { LoggedSet } from '../../records/log/log.entity.ts';

/** What a logged set asked of the hand. */
export function demandOfLogged({
  liftId,
  reps,
  load,
  style,
  seconds,
}: Pick<LoggedSet, 'liftId' | 'reps' | 'load' | 'style' | 'seconds'>): SetDemand {
  return setDemand({ lift: liftId, reps, load, style, ...(seconds && { seconds }) });
}
