import { writeSetLines } from '../set-line/set-line.ts';
import { liftOf } from '../set-demand/lifts.ts';
import { listOf, oneOf, optional, positive, range, record, text, whole, type Check } from '../shape.ts';
import type { MassUnit } from '../units/mass.ts';
import type { ForearmLoad } from './forearm-load.ts';
import type { ForearmExercise } from './forearm-week.ts';

/** What an exercise has where nothing else is said: seconds of a timed set, repetitions of any other. */
const USUAL_SECONDS = 30;
const USUAL_REPS = 15;

const exerciseCheck: Check = record<ForearmExercise>({
  lift: text(60),
  name: text(100),
  sets: whole(1, 30),
  reps: optional(whole(1, 100)),
  seconds: optional(positive(600)),
  load: optional(record<ForearmLoad>({ load: range(0, 600), change: oneOf(['start', 'add', 'repeat']) })),
  covers: listOf(text(60), 40),
});

/**
 * A proposed exercise as the line that a program takes, with its load in the unit.
 * @throws InvalidInputError naming the part of the exercise that cannot be used, or for a unit that is none.
 * @example forearmLine({ lift: 'band-opening', name: 'Band opening', sets: 3, reps: 15, covers: [] }, 'kg') // 'accessory 3x15 band'
 */
export function forearmLine(exercise: ForearmExercise, unit: MassUnit): string {
  exerciseCheck('exercise', exercise);
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
