import { writeSetLines } from '../set-line/set-line.ts';
import { liftOf } from '../set-demand/lifts.ts';
import type { MassUnit } from '../units/mass.ts';
import type { ForearmExercise } from './forearm-week.ts';

/** What an exercise has where nothing else is said: seconds of a timed set, repetitions of any other. */
const USUAL_SECONDS = 30;
const USUAL_REPS = 15;

/**
 * A proposed exercise as the line that a program takes, with its load in the unit.
 * @throws InvalidInputError for an unknown lift or a unit that is none.
 * @example forearmLine({ lift: 'band-opening', name: 'Band opening', sets: 3, reps: 15, covers: [] }, 'kg') // 'accessory 3x15 band'
 */
export function forearmLine(exercise: ForearmExercise, unit: MassUnit): string {
  const { lift, sets, reps = USUAL_REPS, seconds = USUAL_SECONDS, load } = exercise;
  const set = {
    ...{ role: 'accessory' as const, style: 'reset' as const, load: load?.load ?? 0 },
    ...(liftOf(lift, 'lift').timed ? { reps: 1, seconds } : { reps }),
  };
  const [line] = writeSetLines(
    Array.from({ length: sets }, () => set),
    unit,
    lift,
  );
  return line!;
}
