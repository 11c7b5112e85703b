import fc from 'fast-check';
import { LIFTS } from '../set-demand/lifts.ts';
import { guessColumns } from './columns.ts';
import { dayHabitOf, readDayCell } from './read-days.ts';
import { MOST_TABLE_ROWS, readTable } from './read-table.ts';
import {
  readTrainingRows,
  rolesOfLoads,
  type TrainingFileOptions,
  type TrainingRow,
} from './read-training-rows.ts';
import { chalkOfWords, gripOfWords, liftOfWords, yesOfWords } from './training-words.ts';

describe('a table', () => {
  it.each([
    ['Date,Lift\n2026-03-01,Deadlift', ['Date', 'Lift'], [['2026-03-01', 'Deadlift']]],
    ['\ufeffDate;Lift\r\n\r\n1.3.2026;"Row; barbell"\r\n', ['Date', 'Lift'], [['1.3.2026', 'Row; barbell']]],
    ['2026-03-01\tDeadlift\t180', [], [['2026-03-01', 'Deadlift', '180']]],
  ])('reads %j', (text, head, rows) => {
    const table = readTable(text);
    expect(table.head).toEqual(head);
    expect(table.rows.map(({ cells }) => cells)).toEqual(rows);
  });

  it('counts lines as the file does', () =>
    expect(
      readTable('Date,Lift\n\n1.3.2026,Deadlift\n,\n2.3.2026,Squat').rows.map(({ line }) => line),
    ).toEqual([3, 5]));

  it.each([
    ['', /text/],
    [' \n , \n', /at least one row/],
    ['a\u0000b', /plain text/],
    ['Gro\ufffdes', /UTF-8/],
    [`d\n${'1\n'.repeat(MOST_TABLE_ROWS + 1)}`, /at most 50000 rows/],
  ])('refuses what is none: %#', (text, words) => expect(() => readTable(text)).toThrow(words));
});

describe('words', () => {
  it('every lift of the catalogue is known by its name and its id', () => {
    for (const { id, name } of LIFTS) {
      expect(liftOfWords(name.toUpperCase())).toBe(id);
      expect(liftOfWords(id)).toBe(id);
    }
  });

  it.each([
    ['Conventional Deadlift', 'deadlift.conventional'],
    ['  stiff-legged deadlift ', 'stiff-leg'],
    ['RDL', 'romanian'],
    ['Pull Ups', 'pull-up'],
    ['Zercher something', undefined],
    ['', undefined],
  ])('%j names %s', (words, id) => expect(liftOfWords(words)).toBe(id));

  it('every word of a lift names one that there is', () => {
    const ids = new Set(LIFTS.map(({ id }) => id));
    for (const words of [
      'dl',
      'sumo',
      'rdl',
      'sldl',
      'ohp',
      'bp',
      'sq',
      'farmers walk',
      'curls',
      'shrugs',
      'pendlay row',
    ])
      expect(ids.has(liftOfWords(words)!)).toBe(true);
  });

  it('grips, chalk and yes are known in the words of files', () => {
    expect(gripOfWords('Hook Grip')).toEqual({ grip: 'hook', strapped: false });
    expect(gripOfWords('Straps')!.strapped).toBe(true);
    expect(gripOfWords('with the feet')).toBeUndefined();
    expect([chalkOfWords('x'), chalkOfWords('Liquid'), chalkOfWords('no'), chalkOfWords('rosin')]).toEqual([
      ...['block', 'liquid', 'none', undefined],
    ]);
    expect([yesOfWords('X'), yesOfWords(''), yesOfWords('no'), yesOfWords('maybe')]).toEqual([
      true,
      false,
      false,
      undefined,
    ]);
  });
});

describe('columns', () => {
  it('are guessed by their heads, each once', () =>
    expect(
      guessColumns(
        ['Date', 'Athlete', 'Exercise Name', 'Set Order', 'Weight (lbs)', 'Reps', 'Grip', 'Notes', 'Note'],
        'training',
      ),
    ).toEqual({ day: 0, lifter: 1, lift: 2, load: 4, reps: 5, grip: 6, note: 7 }));

  it('mean what files of their kind tell', () => {
    const head = ['Date', 'Name', 'Hand', 'Max', 'Held (s)', 'Force'];
    expect(guessColumns(head, 'training')).toEqual({ day: 0, lifter: 1, grip: 2, seconds: 4 });
    expect(guessColumns(head, 'lifters')).toEqual({ lifter: 1, best: 3 });
    expect(guessColumns(head, 'grippers')).toEqual({ day: 0, lifter: 1, hand: 2, seconds: 4 });
    expect(guessColumns(head, 'squeeze')).toEqual({ day: 0, lifter: 1, hand: 2, force: 5 });
  });
});

describe('days', () => {
  it.each([
    ['2026-03-04', 'dayFirst', '2026-03-04'],
    ['2026/3/4 18:30', 'monthFirst', '2026-03-04'],
    ['4.3.2026', 'dayFirst', '2026-03-04'],
    ['3/4/26', 'monthFirst', '2026-03-04'],
    ['4 Mar 2026', 'dayFirst', '2026-03-04'],
    ['March 4, 2026', 'dayFirst', '2026-03-04'],
    ['Wed, 4 March 2026', 'dayFirst', '2026-03-04'],
    ['31.2.2026', 'dayFirst', undefined],
    ['1.1.1901', 'dayFirst', undefined],
    ['13/13/2026', 'dayFirst', undefined],
    ['yesterday', 'dayFirst', undefined],
    ['', 'dayFirst', undefined],
  ] as const)('%j, %s, is %s', (cell, order, day) => expect(readDayCell(cell, order)).toBe(day));

  it.each([
    [['3/4/2026', '3/14/2026'], 'monthFirst', true],
    [['3/4/2026', '14/3/2026'], 'dayFirst', true],
    [['3/4/2026'], 'dayFirst', false],
    [['3.4.2026'], 'dayFirst', true],
    [['5/5/2026', '2026-03-04'], 'dayFirst', true],
  ] as const)('%j is written %s, certain: %s', (cells, order, certain) =>
    expect(dayHabitOf(cells)).toEqual({ order, certain }),
  );

  it('whatever day is written comes back, in either order', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('1950-01-01'), max: new Date('2099-12-31'), noInvalidDate: true }),
        fc.constantFrom('dayFirst', 'monthFirst'),
        (date, order) => {
          const day = date.toISOString().slice(0, 10);
          const [y, m, d] = day.split('-');
          expect(readDayCell(order === 'dayFirst' ? `${d}/${m}/${y}` : `${m}/${d}/${y}`, order)).toBe(day);
        },
      ),
    );
  });
});

const HEAD = 'Date,Who,Lift,Load,Reps,Sets,Grip,Straps,Chalk,Slipped,Note';
const OPTIONS: TrainingFileOptions = {
  columns: {
    day: 0,
    lifter: 1,
    lift: 2,
    load: 3,
    reps: 4,
    sets: 5,
    grip: 6,
    straps: 7,
    chalk: 8,
    slipped: 9,
    note: 10,
  },
  ...{ unit: 'kg', order: 'dayFirst', noGrip: 'leaveOut', today: '2026-11-24' },
};
const rows = (
  lines: readonly string[],
  more: Partial<TrainingFileOptions> = {},
  head = HEAD,
): TrainingRow[] => readTrainingRows(readTable([head, ...lines].join('\n')), { ...OPTIONS, ...more });
const one = (line: string, more?: Partial<TrainingFileOptions>, head?: string): TrainingRow =>
  rows([line], more, head)[0]!;

describe('rows of training', () => {
  it('are read whole', () =>
    expect(one('3.4.2026,Ana,Deadlift,"182,5",3,2,hook,,yes,2,felt slow')).toEqual({
      ...{
        line: 2,
        day: '2026-04-03',
        lifter: 'Ana',
        liftId: 'deadlift.conventional',
        load: 182.5,
        reps: 3,
        seconds: null,
        sets: 2,
      },
      ...{ grip: 'hook', strapped: false, chalk: 'block', slippedAtRep: 2, note: 'felt slow' },
    }));

  it('pounds are those of the cell, else of the column, else as was said', () => {
    const load = (row: TrainingRow): number =>
      row.fault === undefined ? Math.round(row.load * 10) / 10 : Number.NaN;
    expect(load(one('3.4.2026,Ana,Deadlift,400 lb,1,,hook,,,,'))).toBe(181.4);
    expect(load(one('3.4.2026,Ana,Deadlift,400,1,,hook,,,,', {}, HEAD.replace('Load', 'Weight (lbs)')))).toBe(
      181.4,
    );
    expect(load(one('3.4.2026,Ana,Deadlift,400,1,,hook,,,,', { unit: 'lb' }))).toBe(181.4);
  });

  it('straps test no hand, and nothing slips from them', () => {
    expect(one('3.4.2026,Ana,Deadlift,180,3,,,x,,yes,')).toMatchObject({
      strapped: true,
      slippedAtRep: null,
    });
    expect(one('3.4.2026,Ana,Deadlift,180,3,,straps,,,,')).toMatchObject({ strapped: true });
  });

  it('a gripped set without a grip is what somebody says it is, and nothing where nobody does', () => {
    const line = '3.4.2026,Ana,Deadlift,180,3,,,,,,';
    expect(one(line).fault).toBe('The file does not say how it was held.');
    expect(one(line, { noGrip: 'mixed' })).toMatchObject({ grip: 'mixed', strapped: false });
    expect(one(line, { noGrip: 'straps' })).toMatchObject({ strapped: true });
    // A squat has no grip to say.
    expect(one('3.4.2026,Ana,Squat,180,3,,,,,,')).toMatchObject({ liftId: 'squat' });
  });

  it('a body without a load is a load of nothing', () =>
    expect(one('3.4.2026,Ana,Pull-up,BW,8,,doh,,,,')).toMatchObject({ liftId: 'pull-up', load: 0 }));

  it.each([
    ['31.2.2026,Ana,Deadlift,180,1,,hook,,,,', /“31\.2\.2026” is no day/],
    ['25.11.2026,Ana,Deadlift,180,1,,hook,,,,', /lies ahead/],
    ['3.4.2026,Ana,Deadhang pull,180,1,,hook,,,,', /no lift of the catalogue/],
    ['3.4.2026,Ana,Farmer carry,180,1,,hook,,,,', /timed/],
    ['3.4.2026,Ana,Deadlift,heavy,1,,hook,,,,', /no load/],
    ['3.4.2026,Ana,Deadlift,1800,1,,hook,,,,', /no load of 1 kg to 600 kg/],
    ['3.4.2026,Ana,Deadlift,180,0,,hook,,,,', /no repetitions/],
    ['3.4.2026,Ana,Deadlift,180,5.5,,hook,,,,', /no repetitions/],
    ['3.4.2026,Ana,Deadlift,180,1,300,hook,,,,', /no sets/],
    ['3.4.2026,Ana,Deadlift,180,1,,toes,,,,', /no grip/],
    ['3.4.2026,Ana,Deadlift,180,1,,hook,some,,,', /straps/],
    ['3.4.2026,Ana,Deadlift,180,1,,hook,,rosin,,', /no chalk/],
    ['3.4.2026,Ana,Deadlift,180,1,,hook,,,perhaps,', /slipped/],
  ])('%s: what is wrong is said', (line, words) => expect(one(line).fault).toMatch(words));

  it('columns that are needed, or are not there, are refused by their name', () => {
    expect(() => rows(['3.4.2026'], { columns: { day: 0, lift: 1 } })).toThrow(/columns\.load.*Load/);
    expect(() => rows(['3.4.2026'], { columns: { ...OPTIONS.columns, grip: 40 } })).toThrow(/columns\.grip/);
  });

  it('every row is read or says why, whatever it holds', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.string({ maxLength: 12 }), { minLength: 11, maxLength: 11 }), {
          minLength: 1,
          maxLength: 8,
        }),
        (cells) => {
          const table = { head: [], width: 11, rows: cells.map((each, i) => ({ line: i + 1, cells: each })) };
          const read = readTrainingRows(table, OPTIONS);
          expect(read).toHaveLength(cells.length);
          for (const row of read) if (row.fault !== undefined) expect(row.fault.length).toBeGreaterThan(5);
        },
      ),
    );
  });
});

it.each([
  [
    [100, 140, 160, 130],
    ['warmup', 'warmup', 'top', 'backoff'],
  ],
  [
    [100, 160, 160],
    ['warmup', 'top', 'top'],
  ],
  [
    [120, 120, 120],
    ['volume', 'volume', 'volume'],
  ],
  [[180], ['top']],
  [[], []],
])('loads %j are %j', (loads, roles) => expect(rolesOfLoads(loads)).toEqual(roles));
