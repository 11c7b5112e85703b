import { FULL_WEEK_DAYS, isGripWeekFull } from './full-week.ts';

const on = (days: readonly number[], liftId = 'carry.handles') =>
  days.map((n) => ({ on: `2026-11-${String(n).padStart(2, '0')}`, liftId }));

describe('isGripWeekFull', () => {
  it('counts days, not sets, of carries and thick bars in the seven up to today', () => {
    expect(FULL_WEEK_DAYS).toBe(3);
    expect(isGripWeekFull(on([20, 22, 26]), '2026-11-26')).toBe(true);
    expect(isGripWeekFull(on([20, 22, 22, 22]), '2026-11-26')).toBe(false);
    expect(isGripWeekFull(on([19, 22, 26]), '2026-11-26')).toBe(false);
    expect(isGripWeekFull(on([20, 22, 27]), '2026-11-26')).toBe(false);
    expect(isGripWeekFull(on([20, 22, 26], 'deadlift.axle'), '2026-11-26')).toBe(true);
    expect(isGripWeekFull(on([20, 22, 26], 'deadlift.conventional'), '2026-11-26')).toBe(false);
  });

  it('names what it cannot use', () => {
    expect(() => isGripWeekFull(on([20], 'kettle'), '2026-11-26')).toThrow(/done\[0\]/);
  });
});
