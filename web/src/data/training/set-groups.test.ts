import type { CalledSet } from '@iron-clasp/contract';
import { groupSets, sheetLines } from './set-groups.ts';

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
    fault: null,
    lighter: null,
    handle: null,
    purpose: null,
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

describe('sheetLines', () => {
  const warmup = (id: string, load: number, more: Partial<CalledSet> = {}): CalledSet =>
    set(id, { role: 'warmup', loading: { total: load, perSide: [] } as never, ...more });
  const lines = (...sets: CalledSet[]): string[] =>
    sheetLines(groupSets(sets), () => true).map((line) =>
      line.kind === 'sets'
        ? line.group.ids.join('')
        : `${line.kind}(${line.groups.map((group) => group.ids.join('')).join(' ')})`,
    );

  it('folds warm-ups that are gripped alike; a new line stands where the grip changes', () => {
    expect(
      lines(
        warmup('a', 50),
        warmup('b', 70),
        warmup('c', 90, { line: 'mixed' }),
        warmup('d', 110, { line: 'mixed' }),
        set('e'),
        set('f'),
      ),
    ).toEqual(['warmups(a b)', 'warmups(c d)', 'ef']);
  });

  it('a warm-up alone stays a line of its own', () => {
    expect(lines(warmup('a', 50), warmup('b', 70, { line: 'mixed' }), set('c'))).toEqual(['a', 'b', 'c']);
  });

  it('what has to be seen is never folded away', () => {
    const weak = { call: { verdict: 'weak' } } as Partial<CalledSet>;
    const decided = { override: { id: 'x' } } as Partial<CalledSet>;
    const faulty = { fault: { text: 'No such plates.' } } as Partial<CalledSet>;
    for (const more of [weak, decided, faulty, { lighter: 60 }])
      expect(lines(warmup('a', 50), warmup('b', 70, more), warmup('c', 90))).toEqual(['a', 'b', 'c']);
  });

  it('a lift without a grip call is one line, unless a set of it has to be seen', () => {
    const free = { call: { verdict: 'free' } } as Partial<CalledSet>;
    const [a, b] = [warmup('a', 50, free), set('b', free)];
    expect(lines(a, b)).toEqual(['free(a b)']);
    expect(lines(a, { ...b, fault: { text: 'No such plates.' } as never })).toEqual(['a', 'b']);
  });
});
