import { curveAround } from '../calls/fixtures.test-helper.ts';
import { holdProbability } from '../clasp-curve/hold-probability.ts';
import { changeHold } from './change-hold.ts';
import { holdRequest } from './fixtures.test-helper.ts';
import { prescribeHold } from './prescribe-hold.ts';

const ids = ({ why }: { why: readonly { ruleId: string }[] }): string[] => why.map(({ ruleId }) => ruleId);

describe('a hold with the coach’s own figures', () => {
  const prescribed = prescribeHold(holdRequest());

  it('keeps what the coach leaves as it is', () => {
    const same = changeHold(holdRequest(), {});
    expect(same).toMatchObject({ load: prescribed.load, seconds: 10, sets: 2, grip: prescribed.grip });
    expect(same.probability).toBeCloseTo(prescribed.probability!, 9);
    expect(changeHold(holdRequest(), { seconds: 6 })).toMatchObject({
      load: prescribed.load,
      seconds: 6,
      sets: 2,
    });
  });

  it('has the chance of these figures, in the last of its sets, and the plates of this load', () => {
    const changed = changeHold(holdRequest(), { load: 90, seconds: 8, sets: 4 });
    expect(changed).toMatchObject({ load: 90, seconds: 8, sets: 4, loading: { total: 90 } });
    expect(changed.probability).toBeCloseTo(
      holdProbability(curveAround(130), { load: 90, seconds: 8, grip: 'hook', earlierHolds: 3 }),
      9,
    );
    const once = changeHold(holdRequest(), { load: 130, sets: 1 });
    expect(once.probability).toBeCloseTo(
      holdProbability(curveAround(130), { load: 130, seconds: 10, grip: 'hook', earlierHolds: 0 }),
      9,
    );
  });

  it('says no longer how the engine came to its own figures', () => {
    expect(ids(prescribed).some((id) => /^hold\.(progress|effort)\./.test(id))).toBe(true);
    const changed = changeHold(holdRequest(), { load: 60 });
    expect(ids(changed).filter((id) => /^hold\.(progress|effort)\./.test(id))).toEqual([]);
    // What holds for any figures stays.
    const others = prescribed.why.filter(({ ruleId }) => !/^hold\.(progress|effort)\./.test(ruleId));
    expect(changed.why).toEqual(others);
  });

  it('says where it is harder than the school asks, with the time that its rule gives', () => {
    const easy = changeHold(holdRequest(), { load: 60 });
    expect(ids(easy)).not.toContain('hold.past-effort');
    const hard = changeHold(holdRequest(), { load: 150, seconds: 30 });
    const reason = hard.why.find(({ ruleId }) => ruleId === 'hold.past-effort')!;
    expect(reason.rank).toBe('evidence');
    const said = Number(/ (\d+) s are held at this load/.exec(reason.text)![1]);
    expect(said).toBeGreaterThan(0);
    // That time itself is not past the rule; a second more is.
    expect(ids(changeHold(holdRequest(), { load: 150, seconds: said }))).not.toContain('hold.past-effort');
    expect(ids(changeHold(holdRequest(), { load: 150, seconds: said + 1 }))).toContain('hold.past-effort');
  });

  it('says where it is heavier than the ceiling, and not at it', () => {
    const at = (load: number): string[] => ids(changeHold(holdRequest({ ceiling: 140 }), { load }));
    expect(at(140)).not.toContain('hold.past-ceiling');
    expect(at(142.5)).toContain('hold.past-ceiling');
    const over = changeHold(holdRequest({ ceiling: 140 }), { load: 142.5 });
    expect(over.why.find(({ ruleId }) => ruleId === 'hold.past-ceiling')).toMatchObject({
      rank: 'safety',
      text: expect.stringMatching(/^Capped at .*only the coach raises that\.$/),
    });
  });

  it('counts the repetitions that fit the time, one at least, where a hold is made of them', () => {
    expect(changeHold(holdRequest(), { seconds: 6 })).not.toHaveProperty('reps');
    const deadlifts = holdRequest({ kind: 'overhandReps' });
    const each = prescribeHold(deadlifts).seconds / prescribeHold(deadlifts).reps!;
    const reps = (seconds: number): number => changeHold(deadlifts, { seconds }).reps!;
    expect(reps(8 * each)).toBe(8);
    expect(reps(8 * each - 0.1)).toBe(7);
    expect(reps(each / 2)).toBe(1);
  });

  it('refuses figures that nobody holds', () => {
    expect(() => changeHold(holdRequest(), { seconds: 0 })).toThrow(/figures\.seconds/);
    expect(() => changeHold(holdRequest(), { load: 2001 })).toThrow(/figures\.load/);
    expect(() => changeHold(holdRequest(), { sets: 21 })).toThrow(/figures\.sets/);
    expect(changeHold(holdRequest(), { load: 0, sets: 20, seconds: 3600 })).toMatchObject({
      load: 0,
      sets: 20,
    });
  });
});
