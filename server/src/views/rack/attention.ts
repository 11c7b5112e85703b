import {
  ATTENTION_LEVELS,
  findAttention,
  HISTORY_NAMES,
  type HandsToday,
  type HistoryKind,
} from '@iron-clasp/core';
import type { RackRow } from '@iron-clasp/contract';
import type { BareFortnights } from '../../records/log/log-figures.repository.ts';
import { UNCHECKED_HANDS } from '../../evidence/lifter-today/lifter-today.service.ts';

/** What the rack knows of a lifter. */
export interface RackFacts extends BareFortnights {
  /** Null where nobody has looked. */
  readonly hands: HandsToday | null;
  /** Conditions of the history that nobody has cleared. */
  readonly uncleared: readonly HistoryKind[];
}

/**
 * The one flag a lifter carries on the rack: the gravest finding of the club's rules among those that one query knows. What
 * has to be computed (squeeze tests, the week's work, a third attempt) stands in the club view.
 */
export function flagOf(
  { hands, uncleared, recent, recentSets, before, beforeSets }: RackFacts,
  meet: RackRow['meet'],
): RackRow['flag'] {
  const [gravest] = findAttention({
    hands: hands ?? UNCHECKED_HANDS,
    slips: { recent, recentSets, before, beforeSets },
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
