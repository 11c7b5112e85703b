import { randomUUID } from 'node:crypto';
import { findLift, parseSetLine, writeSetLines, type MassUnit, type WrittenSet } from '@iron-clasp/core';
import type { SessionPlanView } from '@iron-clasp/contract';
import { Problem } from '../../platform/http/problem.ts';
import { termsOf } from '../../evidence/session/session-parts.ts';
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

/** Reads every line, or names each that cannot be read. */
export function readLines(
  lines: readonly SessionLine[],
  { deadliftMax, bestLifts: bests }: Lifter,
  unit: MassUnit,
): ReadLine[] {
  const fields: { path: string; message: string }[] = [];
  const found = lines.flatMap(({ liftId, text }, i): ReadLine[] => {
    const lift = findLift(liftId)!;
    const parsed = parseSetLine(text, { deadliftMax, bests, unit, lift });
    if (parsed.fault) {
      const message = `At character ${parsed.fault.at + 1}: ${parsed.fault.message}`;
      fields.push({ path: `lines[${i}].text`, message });
      return [];
    }
    const sets = parsed.sets.map((set) => plannedOf(set, lift.id));
    return [{ liftId: lift.id, text: parsed.line, sets }];
  });
  if (fields.length) throw new Problem(400, 'invalid-input', fields[0]!.message, fields);
  return found;
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
