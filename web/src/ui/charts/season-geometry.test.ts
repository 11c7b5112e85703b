import { seasonGeometry } from './season-geometry.ts';

const sheet = {
  today: '2026-11-24',
  season: {
    from: '2026-11-02',
    to: '2026-11-29',
    marks: [
      { id: 'block', kind: 'holdBlock' as const, label: 'Hold block', from: '2026-10-26', to: '2026-11-08' },
      { id: null, kind: 'meet' as const, label: 'Lantern Cup', from: '2026-11-28', to: '2026-11-28' },
    ],
    sessions: [{ id: 'a', on: '2026-11-03', title: 'Deadlift', version: 1, done: true, holds: 2 }],
  },
};

describe('seasonGeometry', () => {
  const { weeks, bands, sessions, today } = seasonGeometry(sheet, 280);

  it('gives each of the four weeks its quarter, named at the first Monday of a month', () => {
    expect(weeks.map((week) => Math.round(week.x))).toEqual([0, 70, 140, 210]);
    expect(weeks.map((week) => week.month)).toEqual([true, false, false, false]);
  });

  it('cuts a block at the edge and gives it its last day', () => {
    expect(bands[0]).toMatchObject({ kind: 'holdBlock', x: 0 });
    expect(bands[0]!.width).toBeCloseTo(70, 6);
  });

  it('stands sessions in the middle of their day and today at its start', () => {
    expect(sessions[0]!.x).toBeCloseTo(10 + 5, 6);
    expect(today).toBeCloseTo(220, 6);
  });
});
