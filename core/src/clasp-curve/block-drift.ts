import { lastDayUpTo, sharedBy } from './level-change.ts';
import { checkMovingCurve, type MovingCurve } from './moving-curve.ts';
import { SLOPE_FLOOR } from './priors.ts';
import { checkRange } from '../check.ts';
import { listOf, positive, range, record, type Check } from '../shape.ts';
import { around, type Estimate } from '../statistics/estimate.ts';

/** How much faster than otherwise the hands of one lifter moved in one block. */
export interface BlockDrift {
  /** Gain a week beyond the lifter's own drift, as a share of load: 0.005 is half a percent. */
  readonly perWeek: number;
  /** Its variance, by the log alone. */
  readonly variance: number;
}

/** What blocks do, learned from several of them. */
export interface PooledBlocks {
  /** Gain a week of a block to come, as a share of load, with its 80 % interval. */
  readonly perWeek: Estimate;
  /** Each block in its turn, drawn towards the others as far as its own log leaves it open. */
  readonly each: readonly Estimate[];
}

/** A week in a block against a week outside one, as a share of load: 0.02 ± 0.03 on ln seconds over a usual slope of 3.5. */
const PRIOR = { mean: 0.02 / 3.5, sd: 0.03 / 3.5 };
/** How much blocks may differ from one another, standard deviations as shares of load a week. */
const APART = [0, 0.002, 0.004, 0.006, 0.009, 0.013];
/** Half of it is expected below this. */
const USUALLY_APART = 0.005;
/** Shorter than this, a block cannot be told from a few good days. */
const LEAST_DAYS = 7;

/**
 * What a block added to the drift of the hands: the change of level over it, less the drift of the whole log. What the fit
 * takes for granted of any walk is taken out again, so that the figure is what the log itself says. Undefined where the log
 * has no two days a week apart within it, or says nothing beyond that.
 * @param fromDaysAgo the day before the block, days before the day of the fit.
 * @param toDaysAgo its last day, or the last so far.
 * @throws InvalidInputError for something that is no moving curve, or days out of order.
 * @example blockDrift(fitMovingCurve([], { referenceLoad: 126 }), 40, 12) // undefined
 */
export function blockDrift(
  moving: MovingCurve,
  fromDaysAgo: number,
  toDaysAgo: number,
): BlockDrift | undefined {
  checkMovingCurve(moving);
  checkRange('fromDaysAgo', fromDaysAgo, 0, 36_525);
  checkRange('toDaysAgo', toDaysAgo, 0, fromDaysAgo);
  const { fit } = moving;
  const [from, to] = [lastDayUpTo(fit, fromDaysAgo), lastDayUpTo(fit, toDaysAgo)];
  const [a, b] = [fit.days[from]!, fit.days[to]!];
  if (a.ageDays - b.ageDays < LEAST_DAYS) return undefined;
  const weeks = (a.ageDays - b.ageDays) / 7;
  const slope = Math.max(fit.terms[0]!, SLOPE_FLOOR);
  const beyond = (b.level - a.level) / weeks - fit.drift.value;
  const changed = a.variance + b.variance - 2 * sharedBy(fit, from, to);
  const posterior = changed / weeks ** 2 + fit.drift.variance - (2 * (b.withDrift - a.withDrift)) / weeks;
  const prior = fit.scales.tau ** 2 / weeks;
  const precision = 1 / Math.max(posterior, 1e-12) - 1 / prior;
  if (!(precision > 1e-3 / prior)) return undefined;
  return {
    perWeek: beyond / Math.max(posterior, 1e-12) / precision / slope,
    variance: 1 / precision / slope ** 2,
  };
}

const driftsCheck: Check = listOf(
  record<BlockDrift>({ perWeek: range(-10, 10), variance: positive(1e6) }),
  10_000,
);

/**
 * What blocks do to the hands, learned over all of them: each says something of the others, the more the better it is known and
 * the more alike they are. With none, what is usual. Source: a normal hierarchical model, how far blocks differ averaged over.
 * @throws InvalidInputError naming the block that cannot be used.
 * @example poolBlockDrifts([]).perWeek.value.toFixed(4) // '0.0057'
 */
export function poolBlockDrifts(blocks: readonly BlockDrift[]): PooledBlocks {
  driftsCheck('blocks', blocks);
  const worlds = APART.map((apart) => worldOf(blocks, apart));
  const top = Math.max(...worlds.map((world) => world.logWeight));
  const weights = worlds.map((world) => Math.exp(world.logWeight - top));
  const whole = weights.reduce((sum, each) => sum + each, 0);
  const mixed = (pick: (world: World) => Normal): Estimate => {
    const parts = worlds.map((world, i) => ({ ...pick(world), weight: weights[i]! / whole }));
    const mean = parts.reduce((sum, each) => sum + each.weight * each.mean, 0);
    const variance = parts.reduce(
      (sum, each) => sum + each.weight * (each.variance + (each.mean - mean) ** 2),
      0,
    );
    return around(mean, Math.sqrt(variance));
  };
  return {
    perWeek: mixed((world) => world.next),
    each: blocks.map((_, i) => mixed((world) => world.each[i]!)),
  };
}

interface Normal {
  readonly mean: number;
  readonly variance: number;
}

/** What the blocks say where they differ by so much. */
interface World {
  readonly logWeight: number;
  readonly next: Normal;
  readonly each: readonly Normal[];
}

function worldOf(blocks: readonly BlockDrift[], apart: number): World {
  const between = apart ** 2;
  let precision = 1 / PRIOR.sd ** 2;
  let sum = PRIOR.mean * precision;
  let logWeight = -apart / USUALLY_APART;
  let [mean, variance] = [PRIOR.mean, PRIOR.sd ** 2];
  for (const { perWeek, variance: own } of blocks) {
    // How well the blocks before it foretold this one.
    const spread = variance + between + own;
    logWeight -= 0.5 * (Math.log(spread) + (perWeek - mean) ** 2 / spread);
    precision += 1 / (between + own);
    sum += perWeek / (between + own);
    [mean, variance] = [sum / precision, 1 / precision];
  }
  return {
    logWeight,
    next: { mean, variance: variance + between },
    each: blocks.map(({ perWeek, variance: own }) => {
      if (between === 0) return { mean, variance };
      const pull = own / (own + between);
      return {
        mean: (1 - pull) * perWeek + pull * mean,
        variance: (1 - pull) * own + pull ** 2 * variance,
      };
    }),
  };
}
