import { findLift } from '@iron-clasp/core';
import { parseISO } from 'date-fns';
import { DEMO_LIFTERS } from './lifters.ts';
import { DEMO_VENUES } from './scenario.ts';
import { simulate } from './simulate.ts';

const TODAY = '2026-11-24';

describe.each(DEMO_LIFTERS.map((lifter) => [lifter.name, lifter] as const))('%s', (_name, lifter) => {
  const sessions = simulate(lifter, DEMO_VENUES, TODAY);
  const logged = sessions.flatMap((session) => session.logged);

  it('has logs in the past and a plan from today on, never both', () => {
    for (const session of sessions) {
      expect(session.logged.length > 0).toBe(session.on < TODAY);
      expect(session.planned.length > 0).toBe(session.on >= TODAY);
    }
    const first = parseISO(sessions[0]!.on).getTime();
    expect((parseISO(TODAY).getTime() - first) / 86_400_000).toBeGreaterThan(25 * 7);
  });

  it('lifts only what the lift admits, slips only bare-handed and within the set', () => {
    for (const set of logged) {
      const lift = findLift(set.lift)!;
      if (set.strapped) expect(lift.straps.allowed).toBe(true);
      else expect(lift.grips ? lift.admits : [set.grip]).toContain(set.grip);
      if (set.slippedAtRep !== null) {
        expect(set.strapped).toBe(false);
        expect(lift.grips).toBe(true);
        expect(set.slippedAtRep).toBeGreaterThanOrEqual(1);
        expect(set.slippedAtRep).toBeLessThanOrEqual(set.reps);
      }
      expect(set.sideUnder !== null).toBe(set.grip === 'mixed');
    }
  });

  it('never turns an injured side under', () => {
    const barred = lifter.history.filter((flag) => flag.kind === 'bicepsTendon').map((flag) => flag.side);
    for (const set of logged) if (set.sideUnder) expect(barred).not.toContain(set.sideUnder);
  });

  it('slips now and then at most: a coach would have changed the grip otherwise', () => {
    const slips = logged.filter((set) => set.slippedAtRep !== null).length;
    expect(slips / logged.length).toBeLessThan(0.05);
  });

  it('ends a hold at its target or by a slip before it', () => {
    for (const hold of sessions.flatMap((session) => session.holds)) {
      expect(hold.seconds).toBeLessThanOrEqual(hold.target);
      if (hold.ended === 'stopped') expect(hold.seconds).toBe(hold.target);
    }
  });
});
