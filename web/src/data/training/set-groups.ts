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

/** The groups lift by lift, as they follow one another; a lift that comes back stands again. */
export function byLift(groups: readonly SetGroup[]): { liftName: string; sets: SetGroup[] }[] {
  const lifts: { liftName: string; sets: SetGroup[] }[] = [];
  for (const group of groups) {
    const last = lifts.at(-1);
    if (last?.liftName === group.first.liftName) last.sets.push(group);
    else lifts.push({ liftName: group.first.liftName, sets: [group] });
  }
  return lifts;
}

/** What one line says of a lift: its work, with the warm-ups before it; the warm-ups themselves where it has nothing else. */
export function workAndWarmups(groups: readonly SetGroup[]): {
  readonly shown: readonly SetGroup[];
  readonly warmups: readonly SetGroup[];
} {
  const work = groups.filter(({ first }) => first.role !== 'warmup');
  if (work.length === 0) return { shown: groups, warmups: [] };
  return { shown: work, warmups: groups.filter(({ first }) => first.role === 'warmup') };
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

/** A line of the sheet: alike sets, warm-ups that are gripped alike, or a lift that hangs from no hand. */
export type SheetLine =
  | { readonly kind: 'sets'; readonly group: SetGroup }
  | { readonly kind: 'warmups' | 'free'; readonly groups: readonly SetGroup[] };

/**
 * Folds the groups of one lift into the lines of a sheet: warm-ups in a row with the same call are one line, so that a new
 * line stands where the grip changes; a lift without a grip call is one line altogether. What has to be seen stays a line
 * of its own: a fault, a decision, a call that is weak or must not be done.
 */
export function sheetLines(groups: readonly SetGroup[], mayFold: (group: SetGroup) => boolean): SheetLine[] {
  const quiet = (group: SetGroup): boolean => mayFold(group) && isQuiet(group.first);
  if (groups.length > 0 && groups.every((group) => group.first.call.verdict === 'free' && quiet(group)))
    return [{ kind: 'free', groups }];
  const lines: SheetLine[] = [];
  for (const group of groups) {
    const last = lines.at(-1);
    const folds = group.first.role === 'warmup' && quiet(group);
    if (folds && last?.kind === 'warmups' && sameCall(last.groups[0]!.first, group.first))
      lines[lines.length - 1] = { kind: 'warmups', groups: [...last.groups, group] };
    else lines.push(folds ? { kind: 'warmups', groups: [group] } : { kind: 'sets', group });
  }
  // One warm-up alone folds nothing.
  return lines.map((line) =>
    line.kind === 'warmups' && line.groups.length === 1 ? { kind: 'sets', group: line.groups[0]! } : line,
  );
}

function isQuiet({ call, fault, override, lighter, handle, purpose }: CalledSet): boolean {
  const settled = call.verdict === 'called' || call.verdict === 'free' || call.verdict === 'unproven';
  return settled && !fault && !override && lighter === null && handle === null && purpose === null;
}

const sameCall = (a: CalledSet, b: CalledSet): boolean =>
  a.line === b.line && a.call.verdict === b.call.verdict;
