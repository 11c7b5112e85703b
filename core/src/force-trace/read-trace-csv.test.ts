import { readTraceCsv } from './read-trace-csv.ts';

const TRUE = { times: [0, 0.0125, 0.025], forces: [0, 20, 40.5] };
const near = (found: ArrayLike<number>, wanted: readonly number[]): void => {
  expect(found.length).toBe(wanted.length);
  wanted.forEach((value, i) => expect(found[i]).toBeCloseTo(value, 6));
};

describe('one trace in many dresses', () => {
  it.each([
    ['commas and a header', 'time (s),force (kgf)\n0,0\n0.0125,20\n0.025,40.5\n'],
    [
      'a byte order mark and Windows lines',
      '\uFEFFtime (s),force (kgf)\r\n0,0\r\n0.0125,20\r\n0.025,40.5\r\n',
    ],
    ['semicolons and decimal commas', 'time (s);force (kgf)\n0;0\n0,0125;20\n0,025;40,5\n'],
    ['tabs', 'time (s)\tforce (kgf)\n0\t0\n0.0125\t20\n0.025\t40.5\n'],
    ['bars', 'time (s)|force (kgf)\n0|0\n0.0125|20\n0.025|40.5\n'],
    ['blanks and no header', '0 0\n0.0125 20\n0.025 40.5\n'],
    ['milliseconds', 'time (ms),force (kgf)\n0,0\n12.5,20\n25,40.5\n'],
    ['newtons', 'time [s],force [N]\n0,0\n0.0125,196.133\n0.025,397.169325\n'],
    [
      'pounds, the columns the other way round',
      'force (lbf),time (s)\n0,0\n44.0924524,0.0125\n89.28721612,0.025\n',
    ],
    ['comments and blank lines', '# squeezed left\n\ntime,kgf\n0,0\n\n0.0125,20\n0.025,40.5\n'],
    ['more columns than are wanted', 'no,time (s),force (kgf)\n1,0,0\n2,0.0125,20\n3,0.025,40.5\n'],
  ])('%s', (_, text) => {
    const { trace } = readTraceCsv(text);
    near(trace.times, TRUE.times);
    near(trace.forces, TRUE.forces);
  });

  it('forces alone, with the rate said', () => {
    const { trace, notes } = readTraceCsv('force (kgf)\n0\n20\n40.5\n', { rate: 80 });
    near(trace.times, TRUE.times);
    near(trace.forces, TRUE.forces);
    expect(notes.join()).toMatch(/80 samples a second/);
  });

  it('a unit said by hand where the file names none', () => {
    const { trace, force } = readTraceCsv('0,0\n0.0125,196.133\n0.025,397.169325\n', { force: 'N' });
    expect(force).toBe('N');
    near(trace.forces, TRUE.forces);
  });
});

it('gaps stay as dropped samples, counted', () => {
  const { trace, notes } = readTraceCsv('time (s),force (kgf)\n0,0\n0.0125,\n0.025,error\n0.0375,40\n');
  expect([...(trace.forces as number[])].filter(Number.isNaN)).toHaveLength(2);
  expect(notes.join()).toMatch(/2 rows hold no force/);
});

it.each([
  ['text', 'Dear coach, the hands are well.', /a table of times and forces/],
  ['one sample', 'time,force\n0,12', /a table of times and forces/],
  ['nothing', '', /file must be text/],
  ['forces without a rate', '1\n2\n3\n', /samples a second/],
])('refuses %s and says what to do', (_, text, words) => {
  expect(() => readTraceCsv(text)).toThrow(words);
});

it('refuses more than a million rows', () => {
  expect(() => readTraceCsv('1\n'.repeat(1_000_010), { rate: 80 })).toThrow(/cut the trace into trials/);
});
