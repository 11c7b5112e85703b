import type { CalledSet } from '@iron-clasp/contract';

/** Sets in a row that are alike in every way a coach would say aloud. */
export interface SetGroup {
  readonly first: CalledSet;
  readonly count: number;
  /** Ids of all its sets, in order. */
  readonly ids: readonly string[];
}

/** Folds `2 × 1 at 125` out of two alike sets that follow one another; the order stays. */
export function groupSets(sets: readonly CalledSet[]): SetGroup[] {
  const groups: { first: CalledSet; count: number; ids: string[] }[] = [];
  for (const set of sets) {
    const last = groups.at(-1);
    if (last && alike(last.first, set)) {
      last.count += 1;
      last.ids.push(set.id);
    } else groups.push({ first: set, count: 1, ids: [set.id] });
  }
  return groups;
}

function alike(a: CalledSet, b: CalledSet): boolean {
  return (
    a.liftName === b.liftName &&
    a.role === b.role &&
    a.loading.total === b.loading.total &&
    a.reps === b.reps &&
    a.seconds === b.seconds &&
    a.line === b.line &&
    a.call.verdict === b.call.verdict &&
    a.override?.id === b.override?.id
  );
}
