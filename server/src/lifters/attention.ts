import { ATTENTION_LEVELS, findAttention, HISTORY_NAMES } from '@iron-clasp/core';
import type { RackRow } from '@iron-clasp/contract';
import { UNCHECKED_HANDS, type RackFacts } from './lifters.repository.ts';

/**
 * The one flag a lifter carries on the rack: the gravest finding of the club's rules among those that one query knows. What
 * has to be computed (squeeze tests, the week's work, a third attempt) stands in the club view.
 */
export function flagOf(
  {
    hands,
    uncleared,
    recent,
    recent_sets,
    before,
    before_sets,
  }: Omit<RackFacts, 'id' | 'name' | 'sport' | 'session'>,
  meet: RackRow['meet'],
): RackRow['flag'] {
  const [gravest] = findAttention({
    hands: hands ?? UNCHECKED_HANDS,
    slips: { recent, recentSets: recent_sets, before, beforeSets: before_sets },
    uncleared: uncleared.map((kind) => HISTORY_NAMES[kind]),
    tests: false,
    squeezeDown: [],
    ...(meet && { meet }),
  });
  return gravest ? { level: gravest.level, text: gravest.text } : null;
}

/** Orders the rack: gravest flag first, then the nearest session, then by name. */
export function byAttention(a: RackRow, b: RackRow): number {
  return (
    gravity(a) - gravity(b) ||
    (a.nextSession?.on ?? '9999').localeCompare(b.nextSession?.on ?? '9999') ||
    a.name.localeCompare(b.name)
  );
}

function gravity({ flag }: RackRow): number {
  return flag ? ATTENTION_LEVELS.indexOf(flag.level) : ATTENTION_LEVELS.length;
}
