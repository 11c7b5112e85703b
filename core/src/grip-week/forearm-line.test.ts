import { parseSetLine } from '../set-line/set-line.ts';
import { forearmLine } from './forearm-line.ts';
import { planForearmWeek } from './forearm-week.ts';
import { KIT_NEEDS } from '../set-demand/lift.ts';

it('every exercise of a week reads back as the sets it proposes', () => {
  const { sessions } = planForearmWeek({
    days: ['2026-11-23', '2026-11-24', '2026-11-25'].map((on) => ({
      ...{ on, session: 'pull' as const, heavyPullNextDay: false },
    })),
    kit: KIT_NEEDS,
    planned: [],
    deadliftMax: 180,
  });
  const exercises = sessions.flatMap((session) => session.exercises);
  expect(exercises.length).toBeGreaterThan(4);
  for (const exercise of exercises)
    for (const unit of ['kg', 'lb'] as const) {
      const line = forearmLine(exercise, unit);
      const read = parseSetLine(line, { deadliftMax: 180, unit, lift: exercise.lift });
      expect(read.fault).toBeUndefined();
      expect(read.sets).toHaveLength(exercise.sets);
      expect(read.sets![0]!.load).toBeCloseTo(exercise.load?.load ?? 0, 1);
      if (exercise.seconds !== undefined) expect(read.sets![0]!.seconds).toBe(exercise.seconds);
      else expect(read.sets![0]!.reps).toBe(exercise.reps);
    }
});

it('an exercise without figures has the usual ones', () => {
  const plain = { name: 'Band opening', sets: 2, covers: [] };
  expect(forearmLine({ ...plain, lift: 'band-opening' }, 'kg')).toBe('accessory 2x15 band');
  expect(forearmLine({ ...plain, lift: 'hang.dead' }, 'kg')).toBe('accessory 2x30s bodyweight');
});
