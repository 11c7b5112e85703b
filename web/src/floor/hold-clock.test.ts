import { elapsed, end, finalShare, READY, start } from './hold-clock.ts';

describe('hold clock', () => {
  it('runs on monotonic time and ends to the tenth', () => {
    const running = start(READY, 1000);
    expect(elapsed(running, 4210)).toBeCloseTo(3.21, 9);
    expect(end(running, 11_049, 'stopped')).toEqual({ state: 'ended', seconds: 10, ended: 'stopped' });
    expect(end(running, 11_051, 'slipped')).toEqual({ state: 'ended', seconds: 10.1, ended: 'slipped' });
  });

  it('a second start does not reset a running clock, and only a running one ends', () => {
    const running = start(READY, 1000);
    expect(start(running, 5000)).toBe(running);
    expect(end(READY, 5000, 'stopped')).toBe(READY);
  });

  it('sweeps over the last three seconds only', () => {
    expect([6.9, 7, 8.5, 10, 12].map((seconds) => finalShare(seconds, 10))).toEqual([0, 0, 0.5, 1, 1]);
  });
});
