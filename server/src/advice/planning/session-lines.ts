import { randomUUID } from 'node:crypto';
import {
  lineAsShare,
  parseSetLine,
  writeSetLines,
  type KnownBests,
  type MassUnit,
  type SetRole,
  type SetLineFault,
  type WrittenSet,
} from '@iron-clasp/core';
import type { LibrarySession, SessionPlanView } from '@iron-clasp/contract';
import { Problem } from '../../platform/http/problem.ts';
import { termsOf } from '../../evidence/session/session-parts.ts';
import type { VenueKit } from '../../records/kit/kit.service.ts';
import type { Lifter } from '../../records/lifters/lifter.entity.ts';
import type { PlannedSet, SessionLine } from '../../records/training/training.entity.ts';

/** A line of a session with the sets that it says. */
export interface ReadLine extends SessionLine {
  readonly sets: readonly Omit<PlannedSet, 'id' | 'sessionId' | 'place'>[];
}

/** The sets of all lines, in order, as those of a session. */
export function setsOf(lines: readonly ReadLine[], sessionId: string): PlannedSet[] {
  return lines
    .flatMap((line) => line.sets)
    .map((set, place) => ({ ...set, id: randomUUID(), sessionId, place }));
}

/** A written set as it is planned. */
export function plannedOf(
  { seconds, terms = {}, ...set }: WrittenSet,
  liftId: string,
): ReadLine['sets'][number] {
  return {
    ...set,
    liftId,
    seconds: seconds ?? null,
    purpose: terms.purpose ?? null,
    fixed: terms.fixed ?? null,
    under: terms.under ?? null,
    handle: terms.handle ?? null,
    hand: terms.hand ?? null,
    rest: terms.rest ?? null,
  };
}

/** What is wrong with a part of a request. */
interface FieldFault {
  readonly path: string;
  readonly message: string;
}

/** What the bar of a place weighs before a plate is on it, kg: where nobody knows the place, what is usual stands. */
export const emptyBarOf = (kit: Pick<VenueKit, 'equipment'> | null): { emptyBar?: number } =>
  kit ? { emptyBar: kit.equipment.bar + kit.equipment.collars } : {};

/** Reads every line as for the place it is done at, or names each that cannot be read. */
export function readLines(
  lines: readonly SessionLine[],
  { deadliftMax, bestLifts: bests }: Lifter,
  unit: MassUnit,
  kit: Pick<VenueKit, 'equipment'> | null,
): ReadLine[] {
  const faults: FieldFault[] = [];
  const found = lines.flatMap(({ liftId, text }, i): ReadLine[] => {
    const parsed = parseSetLine(text, { deadliftMax, bests, unit, lift: liftId, ...emptyBarOf(kit) });
    if (parsed.fault) {
      faults.push(faultOfLine(`lines[${i}]`, parsed.fault));
      return [];
    }
    const sets = parsed.sets.map((set) => plannedOf(set, liftId));
    return [{ liftId, text: parsed.line, sets }];
  });
  refuse(faults);
  return found;
}

/** What a line's working sets are for; null where it cannot be read any longer. */
export function roleOfLine(
  { liftId, text }: SessionLine,
  { deadliftMax, bestLifts: bests }: Lifter,
  unit: MassUnit,
): SetRole | null {
  const { sets } = parseSetLine(text, { deadliftMax, bests, unit, lift: liftId });
  return sets?.at(-1)?.role ?? null;
}

/**
 * The sessions of a plan with their lines as they are read, or each line that cannot be read, or whose load is somebody's own
 * where a share of a best could stand.
 */
export function readPlan(
  sessions: readonly LibrarySession[],
  bests: KnownBests,
  unit: MassUnit,
): LibrarySession[] {
  const faults: FieldFault[] = [];
  const read = sessions.map(({ day, title, lines, holds }, s) => ({
    ...{ day, title, holds },
    lines: lines.map(({ liftId, text }, i) => {
      const at = `sessions[${s}].lines[${i}]`;
      const parsed = parseSetLine(text, { ...bests, unit, lift: liftId });
      if (parsed.fault) faults.push(faultOfLine(at, parsed.fault));
      else if (lineAsShare(parsed.line, { ...bests, unit, lift: liftId }) !== parsed.line)
        faults.push({
          path: `${at}.text`,
          message:
            'Whoever it is written for has a best of their own: write the load as a share of it, as 80%.',
        });
      return { liftId, text: parsed.fault ? text : parsed.line };
    }),
  }));
  refuse(faults);
  return read;
}

const faultOfLine = (path: string, { at, message }: SetLineFault): FieldFault => ({
  path: `${path}.text`,
  message: `At character ${at + 1}: ${message}`,
});

function refuse(faults: FieldFault[]): void {
  if (faults.length) throw new Problem(400, 'invalid-input', faults[0]!.message, faults);
}

/** Sets that came without lines, written out in the reader's unit. */
export function linesOf(sets: readonly PlannedSet[], unit: MassUnit): SessionPlanView['lines'] {
  const runs: PlannedSet[][] = [];
  for (const set of sets) {
    const last = runs.at(-1);
    if (last?.[0]!.liftId === set.liftId) last.push(set);
    else runs.push([set]);
  }
  return runs.flatMap((run) =>
    writeSetLines(
      run.map((set) => ({
        ...{ role: set.role, load: set.load, reps: set.reps, style: set.style, terms: termsOf(set) },
        ...(set.seconds && { seconds: set.seconds }),
      })),
      unit,
      run[0]!.liftId,
    ).map((text) => ({ liftId: run[0]!.liftId, text })),
  );
}
