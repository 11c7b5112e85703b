import type { CalledSet } from '@iron-clasp/contract';
import { groupSets } from './set-groups.ts';

const set = (id: string, more: Partial<CalledSet> = {}): CalledSet =>
  ({
    id,
    liftId: 'deadlift.conventional',
    liftName: 'Deadlift',
    role: 'top',
    planned: 125,
    loading: { total: 125, perSide: [] },
    reps: 1,
    seconds: null,
    line: 'hook',
    call: { verdict: 'called' },
    done: null,
    override: null,
    overrides: [],
    ...more,
  }) as CalledSet;

it('folds alike sets that follow one another, and nothing else', () => {
  const groups = groupSets([
    set('a'),
    set('b'),
    set('c', { line: 'mixed' }),
    set('d'),
    set('e', { reps: 2 }),
  ]);
  expect(groups.map(({ first, count, ids }) => [first.id, count, ids.join('')])).toEqual([
    ['a', 2, 'ab'],
    ['c', 1, 'c'],
    ['d', 1, 'd'],
    ['e', 1, 'e'],
  ]);
});
