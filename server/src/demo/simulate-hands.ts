import {
  SIDES,
  SOUND_HAND,
  type HandsToday,
  type HandToday,
  type Side,
  type SqueezeProtocol,
  type SqueezeTrial,
  type StartDepth,
} from '@iron-clasp/core';
import { addDays, format, parseISO } from 'date-fns';
import { chanceOf } from './random.ts';
import { DEMO_VENUES, HOME, type DemoLifter } from './scenario.ts';

/** How the demo club tests. */
export const DEMO_PROTOCOL: SqueezeProtocol = {
  handle: 2,
  elbow: 90,
  posture: 'seated',
  handOrder: 'alternating',
  trials: 3,
  rest: 60,
};

/** Days ago of the tests: every fortnight, the last five days ago. */
const TEST_DAYS = Array.from({ length: 12 }, (_, i) => 5 + 14 * (11 - i));
/** Trial-to-trial scatter and day-to-day drift of a hand, shares of its score. */
const TRIAL_SCATTER = 0.018;
const DAY_SCATTER = 0.012;
/** What half a year of training added, a share. */
const GROWTH = 0.05;

const daysAgo = (today: string, days: number): string =>
  format(addDays(parseISO(today), -days), 'yyyy-MM-dd');
const tenths = (value: number): number => Math.round(value * 10) / 10;

/** Squeeze tests of half a year, around the lifter's hidden strength. */
export function simulateTests(
  { name, squeeze }: DemoLifter,
  today: string,
): { on: string; trials: SqueezeTrial[] }[] {
  if (!squeeze.tested) return [];
  const chance = chanceOf(`squeeze ${name}`);
  return TEST_DAYS.map((days, i) => {
    const trained = 1 - (GROWTH * days) / 180;
    const form = 1 + DAY_SCATTER * chance.normal();
    const dropped = (side: Side): number =>
      squeeze.drop?.hand === side && i >= TEST_DAYS.length - 2 ? 1 - squeeze.drop.share : 1;
    const trials = Array.from({ length: DEMO_PROTOCOL.trials }, () =>
      SIDES.map((hand): SqueezeTrial => {
        const force = squeeze[hand] * trained * form * dropped(hand);
        return { hand, force: tenths(force * (1 + TRIAL_SCATTER * chance.normal())) };
      }),
    ).flat();
    return { on: daysAgo(today, days), trials };
  });
}

/** Probits between closing and not, for a gripper a tenth harder. */
const LADDER_SLOPE = -8;
const ATTEMPT_DAYS = Array.from({ length: 16 }, (_, i) => 4 + 7 * (15 - i));

/** Attempts at the club's grippers, weekly, around the lifter's hidden half-chance resistance. */
export function simulateAttempts(
  { name, squeeze, dominantHand }: DemoLifter,
  today: string,
): { on: string; gripper: string; hand: Side; depth: StartDepth; closed: boolean; gapMm: number | null }[] {
  const chance = chanceOf(`grippers ${name}`);
  const rungs = DEMO_VENUES.find((venue) => venue.name === HOME)!.grippers;
  const rated = rungs.flatMap(({ name: rung, resistance }) =>
    resistance === null ? [] : [{ rung, resistance }],
  );
  return ATTEMPT_DAYS.flatMap((days) => {
    const trained = 1 - (0.08 * days) / 112;
    return SIDES.flatMap((hand) => {
      const half = squeeze.gripper * trained * (hand === dominantHand ? 1.03 : 0.97);
      // The hardest that is likely, and the next one up.
      const at = Math.max(0, rated.filter(({ resistance }) => resistance < half * 0.92).length - 1);
      return rated.slice(at, at + 2).map(({ rung, resistance }) => {
        const reach = LADDER_SLOPE * Math.log(resistance / half) + chance.normal();
        const closed = reach > 0;
        return {
          on: daysAgo(today, days),
          gripper: rung,
          hand,
          depth: 'open' as const,
          closed,
          gapMm: closed ? null : Math.min(40, Math.max(1, Math.round(4 - 6 * reach))),
        };
      });
    });
  });
}

/** Weekly hands checks; the last one, of yesterday, is as the scenario says. */
export function simulateChecks(
  { name, hands, hookStage }: DemoLifter,
  today: string,
): { on: string; hands: HandsToday }[] {
  const chance = chanceOf(`hands ${name}`);
  const hooked = hookStage !== 'none' && hookStage !== 'settled';
  const one = (): HandToday => {
    const luck = chance.uniform();
    const sore = hooked && chance.uniform() < 0.4;
    return {
      ...SOUND_HAND,
      palm: luck > 0.95 ? 'torn' : luck > 0.55 ? 'callused' : 'sound',
      thumb: sore ? 'tender' : 'sound',
      pain: sore ? 2 + Math.floor(3 * chance.uniform()) : luck > 0.95 ? 3 : 0,
    };
  };
  const earlier = Array.from({ length: 16 }, (_, i) => ({
    on: daysAgo(today, 1 + 7 * (16 - i)),
    hands: { left: one(), right: one() },
  }));
  return [...earlier, { on: daysAgo(today, 1), hands }];
}
