import type { HoldObservation } from './types.ts';
import { chance } from './simulated-lifter.test-helper.ts';

/** How the hands of a planted lifter move. Shares of load: 0.01 is one percent. */
export interface Movement {
  readonly name: string;
  /** Gain a week. */
  readonly gain: number;
  /** Standard deviation of the walk over a week. */
  readonly walk: number;
  /** Standard deviation from day to day. */
  readonly days: number;
  /** Weeks without training before the last four. */
  readonly layoff?: number;
  /** A jump of the level, half way. */
  readonly jump?: number;
  /** Share of holds whose time was tapped wrong. */
  readonly mistapped?: number;
}

/** What a lifter does on one training day, and how it ended. */
export interface PlantedLog {
  readonly log: HoldObservation[];
  /** The true 10 s load of today, double overhand, kg. */
  readonly ten: number;
  /** The true chance of a hold on a coming day. */
  readonly held: (load: number, seconds: number) => boolean;
}

const WEEKS = 26;
const DAYS_A_WEEK = 3;
const HOLDS_A_DAY = 3;
/** Seconds asked of the holds of a day, in turn. */
export const WANTED_SECONDS = [5, 10, 10, 5, 15];
export const PLANTED_REFERENCE = 126;

/** A lifter drawn from the prior whose hands move as told, and half a year of their log. */
export function movingLifter(seed: number, movement: Movement): PlantedLog {
  const { uniform, normal } = chance(seed * 6271 + 101);
  for (let i = 0; i < 20; i++) uniform();
  const slope = Math.max(3.5 + normal(), 1.5);
  let level = Math.log(10) + 0.7 * normal();
  const sigma = 0.35 * Math.exp(0.3 * normal());
  const hook = 3.5 * Math.log(1.28) + 0.42 * normal();
  const log: HoldObservation[] = [];
  const { layoff = 0, jump = 0, mistapped = 0 } = movement;
  const away = { from: WEEKS - 4 - layoff, to: WEEKS - 4 };
  let believed = level + 0.2 * normal();
  for (let week = 0; week < WEEKS; week++) {
    for (let day = 0; day < DAYS_A_WEEK; day++) {
      const step = 1 / DAYS_A_WEEK;
      level += slope * (movement.gain * step + movement.walk * Math.sqrt(step) * normal());
      if (week === WEEKS / 2 && day === 0) level += slope * jump;
      believed += 0.1 * (level - believed);
      if (week >= away.from && week < away.to) continue;
      const today = level + slope * movement.days * normal();
      for (let i = 0; i < HOLDS_A_DAY; i++) {
        const hooked = i === 3;
        const wanted = WANTED_SECONDS[i]!;
        // Loads near what the lifter is thought to hold, as a coach would set them.
        const share = (believed - Math.log(wanted) + (hooked ? hook : 0)) / slope + 0.12 * (uniform() - 0.6);
        const load = PLANTED_REFERENCE * Math.exp(share);
        const mean = today - slope * Math.log(load / PLANTED_REFERENCE) + (hooked ? hook : 0);
        const held = Math.exp(mean + sigma * normal());
        const seconds = Math.max(0.3, Math.min(held, wanted));
        const wrong = uniform() < mistapped ? Math.exp(0.7 * normal()) : 1;
        log.push({
          ...{ load, seconds: seconds * wrong, ended: held < wanted ? 'slipped' : 'stopped' },
          ...(hooked && { grip: 'hook' as const }),
          ageDays: 7 * (WEEKS - week) - Math.round((7 * day) / DAYS_A_WEEK) - 1,
        });
      }
    }
  }
  const ten = PLANTED_REFERENCE * Math.exp((level - Math.log(10)) / slope);
  const spread = Math.hypot(sigma, slope * movement.days);
  const held = (load: number, seconds: number): boolean =>
    level - slope * Math.log(load / PLANTED_REFERENCE) + spread * normal() > Math.log(seconds);
  return { log, ten, held };
}
