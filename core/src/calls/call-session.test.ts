import { mixedLedger } from '../hands/mixed-ledger.ts';
import { callSession, type SessionContext } from './call-session.ts';
import { callSet } from './call-set.ts';
import { context, lifter, set } from './fixtures.test-helper.ts';
import type { CallContext, SetCall } from './types.ts';

function called(sets: SessionContext['sets'], more: Parameters<typeof context>[0] = {}): readonly SetCall[] {
  const { set: _set, override: _override, ...rest } = context(more);
  return callSession({ ...rest, sets });
}
/** The same set by itself, with what the session used up before it. */
const alone = (of: CallContext['set'], more: Parameters<typeof context>[0] = {}): SetCall =>
  callSet(context({ ...more, set: of }));

const HANG = set({ lift: 'hold.front-rack', load: 130, reps: 1, seconds: 10, role: 'top' });

describe('a session called in order', () => {
  it('counts the hard holds that tired the hand: timed, gripped, beyond a warm-up', () => {
    const after = (first: CallContext['set']): number | null => called([first, set()])[1]!.probability;
    const fresh = alone(set({ earlierHolds: 0 })).probability!;
    const tired = alone(set({ earlierHolds: 1 })).probability!;
    expect(tired).toBeLessThan(fresh);
    expect(after(HANG)).toBeCloseTo(tired, 9);
    expect(after({ ...HANG, role: 'warmup' })).toBeCloseTo(fresh, 9);
    expect(after(set({ load: 100 }))).toBeCloseTo(fresh, 9);
    expect(after(set({ lift: 'carry.frame', load: 100, reps: 1, seconds: 20 }))).toBeCloseTo(fresh, 9);
    expect(after(set({ lift: 'squat', load: 140 }))).toBeCloseTo(fresh, 9);
    expect(called([HANG, HANG, set()])[2]!.probability).toBeCloseTo(
      alone(set({ earlierHolds: 2 })).probability!,
      9,
    );
  });

  it('takes a count that a set brings with it as it is', () => {
    expect(called([HANG, set({ earlierHolds: 0 })])[1]!.probability).toBeCloseTo(
      alone(set({ earlierHolds: 0 })).probability!,
      9,
    );
  });

  it('hears the coach on one set, and binds one set by its event', () => {
    const override = { choice: 'straps', reason: 'a long week', by: 'Maren' } as const;
    const [first, second] = called([{ ...set(), override }, set()]);
    expect(first).toMatchObject({ choice: 'straps', straps: expect.anything() });
    expect(first!.reasons.some(({ rank }) => rank === 'override')).toBe(true);
    expect(second).toEqual(alone(set()));
  });

  it('spends the skin budget of a hook on the hooked sets alone, and never below nothing', () => {
    const hooked = {
      school: 'hook-committed',
      lifter: lifter({ hookBudgetLeft: 2_000, hookStage: 'build' }),
    };
    const calls = called([set({ load: 100 }), set({ load: 100 }), set({ load: 100 })], hooked);
    let left = 2_000;
    calls.forEach((call, i) => {
      const same = alone(
        set({ load: 100, hookedBefore: calls.slice(0, i).filter(({ choice }) => choice === 'hook').length }),
        { ...hooked, lifter: lifter({ hookBudgetLeft: left, hookStage: 'build' }) },
      );
      expect(call.choice).toBe(same.choice);
      expect(call.reasons.map(({ ruleId }) => ruleId)).toEqual(same.reasons.map(({ ruleId }) => ruleId));
      if (call.choice === 'hook') left = Math.max(0, left - call.demand!.load * call.demand!.seconds);
    });
  });

  it('binds one set by an event of its own, and no other', () => {
    const event = { name: 'Stones', straps: true, thumbTape: true, liquidChalk: true };
    const [first, second] = called([{ ...set(), event }, set()], { school: 'bare-hands' });
    expect([first!.choice, second!.choice]).toEqual(['straps', 'doubleOverhand']);
    expect(first!.reasons.map(({ ruleId }) => ruleId)).toContain('event.straps-always-used');
    expect(second!.reasons.map(({ ruleId }) => ruleId)).not.toContain('event.straps-always-used');
  });

  it('a hold that is left out, or a pinch, tires no hand for a pull', () => {
    const uncleared = lifter({ flags: [{ kind: 'bloodPressure', cleared: false }] });
    const more = { lifter: uncleared };
    const light = set({ load: 155 });
    const [left, pull] = called([{ ...HANG, load: 240 }, light], more);
    expect(left!.choice).toBeNull();
    expect(pull!.probability).toBeCloseTo(alone(light, more).probability!, 9);
    const pinched = called([set({ lift: 'pinch.plates', load: 30, reps: 1, seconds: 10 }), set()]);
    expect(pinched[1]!.probability).toBeCloseTo(alone(set({ earlierHolds: 0 })).probability!, 9);
  });

  it('of hooked sets those beyond warm-ups fill what the stage carries', () => {
    const carrying = { school: 'hook-committed', lifter: lifter({ hookStage: 'carry' }) };
    const choices = (...sets: CallContext['set'][]): (string | null)[] =>
      called(sets, carrying).map(({ choice }) => choice);
    const top = set({ load: 140 });
    const warmUp = set({ load: 80, role: 'warmup' });
    const backOff = set({ load: 120, role: 'backoff' });
    const [first, second, third] = choices(top, top, top);
    expect([first, second]).toEqual(['hook', 'hook']);
    expect(third).not.toBe('hook');
    expect(choices(warmUp, warmUp, top, top)).toEqual(['hook', 'hook', 'hook', 'hook']);
    // What is not hooked fills nothing.
    expect(choices(backOff, backOff, top).at(-1)).toBe('hook');
  });

  it('turns the other hand under next for who alternates set by set, and for nobody else', () => {
    const sides = (alternation?: 'lightBySet' | 'lightBySession'): (string | null | undefined)[] =>
      called(
        [1, 2, 3].map(() => set({ load: 150, role: 'backoff' })),
        {
          school: 'same-grip',
          ledger: mixedLedger([]),
          lifter: lifter({ ...(alternation && { alternation }) }),
        },
      ).map(({ sideUnder }) => sideUnder);
    const turned = sides('lightBySet');
    expect(turned).toEqual(['left', 'right', 'left']);
    const kept = sides('lightBySession');
    expect(kept).toEqual(['left', 'left', 'left']);
  });
});
