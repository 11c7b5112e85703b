import type { BarLoading } from '../bar-loading/load-bar.ts';
import { RAMP_STEP } from '../set-line/set-line.ts';
import type { LoadMaker } from './hold-loads.ts';

/** A lighter hold on the way to a heavy one. */
export interface RampHold {
  /** s. */
  readonly seconds: number;
  readonly loading: BarLoading;
}

/** Shares of the load and their seconds: enough to feel the bar, too short to tire the hand. */
const STEPS = [
  { share: 0.5, seconds: 5 },
  { share: 0.7, seconds: 4 },
  { share: 0.85, seconds: 3 },
] as const;

/** Two or three lighter holds of 3 to 5 s before a heavy one, as the kit makes them; fewer where it makes no more steps. */
export function holdRamp(load: number, loads: LoadMaker): RampHold[] {
  const ramp: RampHold[] = [];
  let before = 0;
  for (const { share, seconds } of STEPS) {
    const loading = loads.atOrBelow(Math.floor((share * load) / RAMP_STEP.kg) * RAMP_STEP.kg);
    if (loading.total <= before || loading.total >= load) continue;
    ramp.push({ seconds, loading });
    before = loading.total;
  }
  return ramp;
}
