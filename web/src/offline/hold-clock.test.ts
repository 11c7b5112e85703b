import { corrected, countIn, elapsed, end, finalShare, READY, start, toneAt } from './hold-clock.ts';

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

describe('counting in', () => {
  const running = start(READY, 1000, 3);

  it('counts three down, then the hold begins; its length leaves the count out', () => {
    expect([1000, 1900, 2500, 3999, 4000].map((now) => countIn(running, now))).toEqual([3, 3, 2, 1, 0]);
    expect(elapsed(running, 3000)).toBe(0);
    expect(end(running, 14_000, 'stopped')).toEqual({ state: 'ended', seconds: 10, ended: 'stopped' });
  });

  it('stopped while it counts, it is ready again and nothing was held', () => {
    expect(end(running, 3500, 'slipped')).toBe(READY);
  });

  it('sounds once a second before the start and the target, and long at both', () => {
    const keys = [-2.5, -0.2, 0.1, 3, 7.2, 8.9, 10.3].map((seconds) => toneAt(seconds, 10));
    expect(keys.map((tone) => tone?.key)).toEqual([
      'in 3',
      'in 1',
      'go',
      undefined,
      'left 3',
      'left 2',
      'time',
    ]);
    expect(keys.map((tone) => tone?.long)).toEqual([false, false, true, undefined, false, false, true]);
  });

  it('a late tap is put right by a second, and never to nothing', () => {
    const ended = end(start(READY, 0), 1200, 'stopped');
    expect(corrected(ended, 1)).toMatchObject({ seconds: 2.2 });
    expect(corrected(corrected(ended, -1), -1)).toMatchObject({ seconds: 0.5 });
    expect(corrected(READY, 1)).toBe(READY);
  });
});
