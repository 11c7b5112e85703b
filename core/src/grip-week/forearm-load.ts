import { liftOf } from '../set-demand/lifts.ts';
import { bool, positive, range, record, text, type Check } from '../shape.ts';

/** How a forearm exercise went the last time. */
export interface LastForearmWork {
  /** Id of the lift. */
  readonly lift: string;
  /** kg as the lift is written. */
  readonly load: number;
  /** Every set reached its repetitions or seconds, and nothing hurt. */
  readonly reached: boolean;
}

/** Where a load of forearm work stands. */
export interface ForearmLoad {
  /** kg as the lift is written; 0 for the body alone or a band. */
  readonly load: number;
  readonly change: 'start' | 'add' | 'repeat';
}

/** Light enough that fifteen repetitions are easy: a share of the deadlift max, or kg where strength says little. */
const FIRST: Readonly<Record<string, { readonly share: number } | { readonly kg: number }>> = {
  curl: { share: 0.12 },
  'curl.reverse': { share: 0.1 },
  'pinch.plates': { share: 0.1 },
  'pinch.block': { share: 0.1 },
  'hold.hex': { share: 0.06 },
  'gripper.close': { kg: 20 },
  'ball-squeeze': { kg: 5 },
  'wrist-curl.behind-back': { share: 0.15 },
  'wrist-extension.standing': { share: 0.08 },
  'bar-balance': { kg: 10 },
  'lever-rotation': { kg: 2 },
  'bell-turnover': { kg: 4 },
  'radial-raise': { kg: 4 },
  'plate-wrist-raise': { kg: 2.5 },
  'wrist-roller': { kg: 2.5 },
  'bar-twist': { kg: 10 },
};
/** For a lift that the table does not name, kg. */
const FIRST_ELSE = { kg: 5 };

const lastCheck: Check = record<LastForearmWork>({ lift: text(100), load: range(0, 2000), reached: bool });

/**
 * The load of forearm work: light at first, then a step more each time every set was reached without pain, else the same
 * again. Work of the body alone or against a band has none.
 * @param deadliftMax kg.
 * @throws InvalidInputError for an unknown lift, a max or a last time that cannot be used.
 * @example forearmLoad('wrist-curl.behind-back', 160) // { load: 24, change: 'start' }
 * @example forearmLoad('wrist-curl.behind-back', 160, { lift: 'wrist-curl.behind-back', load: 24, reached: true }) // { load: 25, change: 'add' }
 */
export function forearmLoad(liftId: string, deadliftMax: number, last?: LastForearmWork): ForearmLoad {
  const lift = liftOf(liftId);
  positive(2000)('deadliftMax', deadliftMax);
  if (last !== undefined) lastCheck('last', last);
  if (lift.loadMeans === 'addedToBody' || lift.needs.includes('band'))
    return { load: 0, change: last ? 'repeat' : 'start' };
  if (!last) {
    const first = FIRST[lift.id] ?? FIRST_ELSE;
    const load = 'share' in first ? first.share * deadliftMax : first.kg;
    return { load: Math.max(stepAt(load), toStep(load)), change: 'start' };
  }
  return last.reached
    ? { load: toStep(last.load + stepAt(last.load)), change: 'add' }
    : { load: last.load, change: 'repeat' };
}

/** The smallest step that light loads move by, kg. */
function stepAt(load: number): number {
  return load < 10 ? 0.5 : load < 30 ? 1 : 2.5;
}

const toStep = (load: number): number => Math.round(load / stepAt(load)) * stepAt(load);
