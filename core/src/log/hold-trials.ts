import type { HoldTrial } from '../clasp-curve/back-test.ts';
import type { CurveFamily } from '../clasp-curve/types.ts';
import { setDemand } from '../set-demand/set-demand.ts';
import { positive } from '../shape.ts';
import { observeLog, type LoggedHoldFacts, type LoggedSetFacts, type LoggedWork } from './observe-log.ts';

/** A logged hold with the seconds that were asked of it. */
export interface AskedHold extends LoggedHoldFacts {
  /** s. */
  readonly target: number;
}

/** A hold stopped before this share of its time, without a slip, tells nothing of whether it would have been held. */
const STOPPED_SHORT = 0.95;

/**
 * What a log asked of the hands, and whether they held it: every bare-handed set with all its repetitions, and every hold with
 * its aim. A hold that was stopped well short of its aim is left out. The other reading of the log is {@link observeLog}.
 * @throws InvalidInputError naming the row and field that cannot be used.
 * @example
 * trialsOfLog({ sets: [], holds: [{ liftId: 'hold.front-rack', load: 140, seconds: 7, target: 10, ended: 'slipped', grip: 'doubleOverhand', chalk: 'block', diameter: 29, place: 0 }], bodyMass: null }, 'support')[0].held
 * // false
 */
export function trialsOfLog(work: LoggedWork<LoggedSetFacts, AskedHold>, family: CurveFamily): HoldTrial[] {
  return observeLog(work, family).flatMap(
    ({ of, seconds: lasted, ended, within: _within, ...conditions }) => {
      const slipped = ended === 'slipped';
      const asked = 'target' in of ? askedOf(of) : wholeOf(of);
      const held = !slipped || ('target' in of && lasted >= asked);
      if (!slipped && lasted < STOPPED_SHORT * asked) return [];
      return [{ ...conditions, ageDays: conditions.ageDays ?? 0, seconds: asked, held, lasted, slipped }];
    },
  );
}

function askedOf({ target }: AskedHold): number {
  positive(3600)('holds.target', target);
  return target;
}

function wholeOf({ liftId, reps, load, style, seconds }: LoggedSetFacts): number {
  return setDemand({
    lift: liftId,
    reps,
    load: Math.max(load, 1e-6),
    style,
    ...(seconds !== null && { seconds }),
  }).seconds;
}
