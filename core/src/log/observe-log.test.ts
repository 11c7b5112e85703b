import type { HoldObservation } from '../clasp-curve/types.ts';
import { findLift } from '../set-demand/lifts.ts';
import { closedOn, observeLog, type LoggedHoldFacts, type LoggedSetFacts } from './observe-log.ts';

const set = (more: Partial<LoggedSetFacts> = {}): LoggedSetFacts => ({
  liftId: 'deadlift.conventional',
  load: 200,
  reps: 1,
  style: 'reset',
  seconds: null,
  grip: 'hook',
  strapped: false,
  chalk: 'block',
  diameter: 29,
  slippedAtRep: null,
  ...more,
});
const hold = (more: Partial<LoggedHoldFacts> = {}): LoggedHoldFacts => ({
  liftId: 'hold.front-rack',
  load: 180,
  seconds: 10,
  ended: 'stopped',
  grip: 'doubleOverhand',
  chalk: 'block',
  diameter: 29,
  place: 0,
  ...more,
});
const read = (
  sets: readonly LoggedSetFacts[],
  holds: readonly LoggedHoldFacts[] = [],
  bodyMass: number | null = null,
): HoldObservation[] =>
  observeLog({ sets, holds, bodyMass }, 'support').map(({ of: _row, ...told }): HoldObservation => told);

describe('the one reading of the log', () => {
  it('a set is a hold as long as its demand', () => {
    expect(read([set({ reps: 3, ageDays: 4, times: 2 })])).toEqual([
      {
        load: 210,
        seconds: 8.5,
        ended: 'stopped',
        grip: 'hook',
        chalk: 'block',
        diameter: 29,
        ageDays: 4,
        times: 2,
      },
    ]);
  });

  it('touch-and-go keeps the hand loaded for longer than reset repetitions', () => {
    const [reset, touch] = [set({ reps: 5 }), set({ reps: 5, style: 'touchAndGo' })];
    expect(read([touch])[0]!.seconds).toBeGreaterThan(read([reset])[0]!.seconds);
  });

  it('a strapped set and a press tell nothing', () => {
    expect(read([set({ strapped: true }), set({ liftId: 'bench' })])).toEqual([]);
  });

  it('a slip lies within its repetition', () => {
    const [slip] = read([set({ reps: 3, slippedAtRep: 2 })]);
    expect(slip).toMatchObject({ ended: 'slipped' });
    expect(slip!.within![0]).toBeLessThan(slip!.within![1]);
  });

  it('a hang tells something only where it is known what hangs', () => {
    const hang = hold({ liftId: 'hang.dead', load: 10, diameter: 30 });
    expect(read([], [hang])).toEqual([]);
    expect(read([], [hang], 80)[0]!.load).toBe(90);
    const chin = set({ liftId: 'chin-up', load: 10, grip: 'doubleOverhand' });
    expect(read([chin])).toEqual([]);
    expect(read([chin], [], 80)).toHaveLength(1);
  });

  it('dumbbells count in each hand, handles together; a thick bar keeps its diameter', () => {
    expect(read([], [hold({ liftId: 'carry.dumbbells', load: 40 })])[0]!.load).toBeCloseTo(88);
    expect(read([], [hold({ liftId: 'carry.handles', load: 80 })])[0]!.load).toBeCloseTo(88);
    expect(read([], [hold({ liftId: 'hold.thick-bar', diameter: 58 })])[0]!.diameter).toBe(58);
  });

  it('later holds of a session carry those before them', () => {
    expect(read([], [hold({ place: 2 })])[0]!.earlierHolds).toBe(2);
  });

  it('a pinch belongs to a curve of its own', () => {
    const pinch = hold({ liftId: 'pinch.plates', load: 30 });
    expect(read([], [pinch])).toEqual([]);
    const [found] = observeLog({ sets: [], holds: [pinch], bodyMass: null }, 'pinch');
    expect(found).toMatchObject({ load: 30 });
    expect(found).not.toHaveProperty('diameter');
  });

  it('what the hand closes on is the lift’s own handle, else the bar', () => {
    expect(closedOn('carry.frame', 29)).toBe(findLift('carry.frame')!.diameter);
    expect(closedOn('row.barbell', 28)).toBe(28);
  });
});
