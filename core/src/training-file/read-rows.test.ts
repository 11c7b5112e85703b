import { readGripperRows, readSqueezeRows, type HandFileOptions } from './read-hand-rows.ts';
import { readLifterRows } from './read-lifter-rows.ts';
import { readTable } from './read-table.ts';
import { readTrainingRows } from './read-training-rows.ts';

const DAYS = { order: 'dayFirst', today: '2026-11-24' } as const;

describe('timed lifts', () => {
  const one = (line: string, columns = { day: 0, lift: 1, load: 2, seconds: 3, grip: 4 }): object =>
    readTrainingRows(readTable(`Date,Lift,kg,Seconds,Grip\n${line}`), {
      ...{ columns, unit: 'kg', noGrip: 'leaveOut' },
      ...DAYS,
    })[0]!;

  it('come with their seconds, as one repetition', () =>
    expect(one('3.4.2026,farmers walk,60,"32,5",doh')).toMatchObject({
      ...{ liftId: 'carry.handles', load: 60, reps: 1, seconds: 32.5 },
    }));

  it.each([
    ['3.4.2026,farmers walk,60,,doh', /is timed: say how many seconds/],
    ['3.4.2026,farmers walk,60,soon,doh', /“soon” are no seconds, 0.5 to 600/],
    ['3.4.2026,farmers walk,60,0.2,doh', /no seconds/],
    ['3.4.2026,Deadlift,60,30,doh', /no repetitions/],
  ])('%s is left out', (line, words) =>
    expect(one(line)).toMatchObject({ fault: expect.stringMatching(words) }),
  );
});

describe('gripper attempts', () => {
  const columns = { day: 0, lifter: 1, gripper: 2, hand: 3, closed: 4, gap: 5, seconds: 6, note: 7 };
  const one = (line: string, more: Partial<HandFileOptions> = {}): object =>
    readGripperRows(readTable(`Date,Who,Gripper,Hand,Closed,Gap,Held,Note\n${line}`), {
      ...{ columns, ...DAYS },
      ...more,
    })[0]!;

  it.each([
    [
      '3.4.2026,Ana,Iron 2,L,yes,,5,clean',
      { hand: 'left', closed: true, gapMm: null, seconds: 5, note: 'clean' },
    ],
    ['3.4.2026,Ana,Iron 2,right,,3,,', { hand: 'right', closed: false, gapMm: 3, seconds: null }],
    ['3.4.2026,Ana,Iron 2,rechts,no,,,', { hand: 'right', closed: false, gapMm: null }],
    ['3.4.2026,Ana,Iron 2,left,,0,,', { closed: true, gapMm: null }],
    ['3.4.2026,Ana,Iron 2,left,,,,', { closed: true }],
  ])('%s is read', (line, read) =>
    expect(one(line)).toMatchObject({ day: '2026-04-03', lifter: 'Ana', gripper: 'Iron 2', ...read }),
  );

  it.each([
    ['3.4.2026,Ana,,left,yes,,,', /No gripper/],
    ['3.4.2026,Ana,Iron 2,both,yes,,,', /“both” is no hand/],
    ['3.4.2026,Ana,Iron 2,left,nearly,,,', /neither that it was closed/],
    ['3.4.2026,Ana,Iron 2,left,yes,4,,', /closed, with 4 mm left/],
    ['3.4.2026,Ana,Iron 2,left,,101,,', /no gap/],
    ['3.4.2026,Ana,Iron 2,left,,,x,', /no seconds/],
    ['25.11.2026,Ana,Iron 2,left,,,,', /lies ahead/],
    ['31.2.2026,Ana,Iron 2,left,,,,', /is no day/],
  ])('%s is left out', (line, words) =>
    expect(one(line)).toMatchObject({ fault: expect.stringMatching(words) }),
  );

  it('wants the columns without which nothing is told', () =>
    expect(() => one('3.4.2026,Ana,Iron 2,left,,,,', { columns: { day: 0, gripper: 2 } })).toThrow(
      /columns.hand/,
    ));
});

describe('squeeze scores', () => {
  const force = (head: string, cell: string): number | string => {
    const [row] = readSqueezeRows(readTable(`Date,Hand,${head}\n3.4.2026,left,${cell}`), {
      columns: { day: 0, hand: 1, force: 2 },
      ...DAYS,
    });
    return row!.fault ?? row!.force;
  };

  it.each([
    ['Force', '"52,5"', 52.5],
    ['Force (kg)', '52', 52],
    ['Force (lbs)', '100', 45.359237],
    ['Force (N)', '490.3325', 50],
  ])('%s %s is %s kgf', (head, cell, kgf) => expect(force(head, cell)).toBeCloseTo(kgf, 9));

  it.each([
    ['Force', '151'],
    ['Force (lb)', '331'],
    ['Force', 'strong'],
    ['Force', '0.5'],
  ])('%s %s is no squeeze', (head, cell) => expect(force(head, cell)).toMatch(/is no squeeze/));
});

describe('lifters', () => {
  const read = (head: string, ...lines: readonly string[]): object[] =>
    readLifterRows(readTable([head, ...lines].join('\n')), {
      columns: { lifter: 0, best: 1, bodyMass: 2, sport: 3 },
      unit: 'kg',
    });

  it('are read with what the file says of them', () =>
    expect(
      read(
        'Name,Max,Body mass (lb),Sport',
        'Ana Lind,"182,5",154,Powerlifting',
        'Bo Marsh,402 lb,,',
        'ana lind,190,,',
      ),
    ).toEqual([
      {
        line: 2,
        name: 'Ana Lind',
        deadliftMax: 182.5,
        bodyMass: expect.closeTo(69.853, 2),
        sport: 'powerlifting',
      },
      { line: 3, name: 'Bo Marsh', deadliftMax: expect.closeTo(182.344, 2), bodyMass: null, sport: null },
      { line: 4, fault: 'ana lind stands in row 2 already.' },
    ]));

  it.each([
    [',180,,', /A name has/],
    ['Cy,18,,', /Best deadlift: “18” is not 20 kg to 600 kg/],
    ['Cy,much,,', /Best deadlift: “much”/],
    ['Cy,180,20,', /Body mass: “20”/],
    ['Cy,180,,chess', /“chess” is no sport/],
  ])('%s is left out', (line, words) =>
    expect(read('Name,Max,Body mass,Sport', line)[0]).toMatchObject({ fault: expect.stringMatching(words) }),
  );
});
