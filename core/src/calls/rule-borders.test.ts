import { SOUND_HAND, type HandToday } from '../hands/hand-state.ts';
import { findLift } from '../set-demand/lifts.ts';
import { setDemand } from '../set-demand/set-demand.ts';
import { CALL_RULES } from './call-rules.ts';
import { hands, lifter } from './fixtures.test-helper.ts';
import type { RuleEffect, RuleFacts } from './rules.ts';
import { GRIP_CHOICES, type CallLifter } from './types.ts';

/*
 * Where each rule begins and ends: the last case in which it speaks and the first in which it does not, where one wrong sign
 * would load what must be spared.
 */

const facts = (more: Partial<Omit<RuleFacts, 'lift'>> & { lift?: string } = {}): RuleFacts => {
  const { lift = 'deadlift.conventional', ...rest } = more;
  return { lifter: lifter(), lift: findLift(lift)!, role: 'top', reps: 1, ...rest };
};
const effect = (id: string, about: RuleFacts): RuleEffect | undefined =>
  CALL_RULES.find((rule) => rule.id === id)!.effect(about) || undefined;
const flagged = (...flags: CallLifter['flags'][number][]): CallLifter => lifter({ flags });
const right = (more: Partial<HandToday>): { lifter: CallLifter } => ({
  lifter: lifter({ hands: hands('right', more) }),
});
const BARE = ['doubleOverhand', 'mixed', 'hook'];

describe('palm-up loads', () => {
  const biceps = (cleared: boolean) => flagged({ kind: 'bicepsTendon', side: 'left', cleared });
  const shoulder = (cleared: boolean) => flagged({ kind: 'shoulder', side: 'left', cleared });

  it.each([
    ['a supinated hold, cleared', 'hold.supinated', true, 'no supinated hold, cleared or not'],
    ['a supinated hold, not cleared', 'hold.supinated', false, 'no supinated hold, cleared or not'],
    ['a curl, not cleared', 'curl', false, 'no palm-up load until a clinician has cleared it'],
    ['a chin-up, not cleared', 'chin-up', false, 'no palm-up load until a clinician has cleared it'],
  ] as const)('are barred for a flagged biceps: %s', (_case, lift, cleared, words) => {
    const about = facts({ lift, lifter: biceps(cleared) });
    expect(effect('safety.biceps-no-palm-up-load', about)).toMatchObject({ bars: GRIP_CHOICES, stops: true });
    expect(effect('safety.biceps-no-palm-up-load', about)!.text).toContain(words);
  });

  it('curls and chin-ups come back once it is cleared', () => {
    for (const lift of ['curl', 'chin-up'])
      expect(effect('safety.biceps-no-palm-up-load', facts({ lift, lifter: biceps(true) }))).toBeUndefined();
  });

  it('a shoulder that is not cleared stops them, and elsewhere is only not turned under', () => {
    const rule = 'safety.shoulder-not-supinated';
    for (const lift of ['curl', 'hold.supinated'])
      expect(effect(rule, facts({ lift, lifter: shoulder(false) }))).toMatchObject({
        ...{ bars: GRIP_CHOICES, stops: true },
        text: 'Shoulder trouble on the left: no palm-up load until a clinician has cleared it.',
      });
    expect(effect(rule, facts({ lifter: shoulder(false) }))).toMatchObject({ barsUnder: ['left'] });
    expect(effect(rule, facts({ lifter: shoulder(true) }))).toBeUndefined();
  });

  it('a cleared shoulder still holds nothing palm up, may curl, and is not turned under', () => {
    const rule = 'adaptation.cleared-shoulder-not-supinated';
    expect(effect(rule, facts({ lift: 'hold.supinated', lifter: shoulder(true) }))).toEqual({ bars: BARE });
    expect(effect(rule, facts({ lift: 'curl', lifter: shoulder(true) }))).toBeUndefined();
    expect(effect(rule, facts({ lifter: shoulder(true) }))).toEqual({ barsUnder: ['left'] });
    expect(effect(rule, facts({ lifter: flagged({ kind: 'shoulder', cleared: true }) }))).toEqual({
      barsUnder: ['left', 'right'],
    });
    expect(effect(rule, facts({ lifter: shoulder(false) }))).toBeUndefined();
    expect(effect(rule, facts({ lifter: biceps(true) }))).toBeUndefined();
  });

  it('pain in the biceps stops them today', () => {
    expect(
      effect('safety.biceps-pain-not-under', facts({ lift: 'curl', ...right({ bicepsPain: 5 }) })),
    ).toMatchObject({ bars: GRIP_CHOICES, stops: true });
  });
});

describe('damaged hands', () => {
  it.each([
    ['palm', { palm: 'torn' }],
    ['thumb', { thumb: 'torn' }],
    ['finger', { finger: 'jammed' }],
    ['nail', { nail: 'bleeding' }],
  ] as const)('are not pulled bare for the sake of a max single: %s', (_part, more) => {
    const about = { reps: 1, load: 180, max: 180 };
    expect(effect('adaptation.max-single-bare', facts(about))).toEqual({ bars: ['straps'] });
    expect(
      effect('adaptation.max-single-bare', facts({ ...about, ...right(more as Partial<HandToday>) })),
    ).toBeUndefined();
  });

  it('work of one hand asks of that hand alone', () => {
    const torn = right({ palm: 'torn' });
    const of = (hand?: 'left' | 'right'): RuleEffect | undefined =>
      effect('safety.torn-callus-straps', facts({ lift: 'gripper.close', ...torn, ...(hand && { hand }) }));
    expect(of('right')).toMatchObject({ handsOut: ['right'] });
    expect(of()).toMatchObject({ handsOut: ['right'] });
    expect(of('left')).toBeUndefined();
  });

  it('tender skin keeps the hook off volume, thumb or palm, and off nothing else', () => {
    const rule = 'safety.tender-skin-no-hook-on-volume';
    for (const more of [{ thumb: 'tender' }, { palm: 'tender' }] as const) {
      for (const role of ['backoff', 'volume', 'accessory'] as const)
        expect(effect(rule, facts({ role, ...right(more) }))).toMatchObject({ bars: ['hook'] });
      expect(effect(rule, facts(right(more)))).toBeUndefined();
    }
  });

  it('a side that was operated on is spared but under a squat, until it is cleared', () => {
    const rule = 'safety.operated-side-spared';
    const operated = (cleared: boolean) => flagged({ kind: 'recentOperation', side: 'left', cleared });
    expect(effect(rule, facts({ lifter: operated(false) }))).toMatchObject({ handsOut: ['left'] });
    expect(effect(rule, facts({ lift: 'squat', lifter: operated(false) }))).toBeUndefined();
    expect(effect(rule, facts({ lifter: operated(true) }))).toBeUndefined();
    expect(
      effect(rule, facts({ lifter: flagged({ kind: 'bicepsTendon', side: 'left', cleared: false }) })),
    ).toBeUndefined();
  });
});

describe('a joint with arthritis', () => {
  const arthritic = (thumbJointPain: number): { lifter: CallLifter } => ({
    lifter: lifter({
      flags: [{ kind: 'thumbArthritis', cleared: true }],
      hands: { left: { ...SOUND_HAND, thumbJointPain }, right: SOUND_HAND },
    }),
  });

  it('is spared with straps on volume where it is felt, and where the day allows straps', () => {
    const rule = 'safety.thumb-arthritis-straps-on-volume';
    for (const role of ['volume', 'backoff'] as const)
      expect(effect(rule, facts({ role, ...arthritic(1) }))).toEqual({ bars: BARE });
    expect(effect(rule, facts({ role: 'top', ...arthritic(1) }))).toBeUndefined();
    expect(effect(rule, facts({ role: 'volume', ...arthritic(0) }))).toBeUndefined();
    const event = { name: 'Open', straps: false, thumbTape: true, liquidChalk: true };
    expect(effect(rule, facts({ role: 'volume', event, ...arthritic(1) }))).toBeUndefined();
  });

  it('is hooked on the last warm-ups, from three fifths of the max on, by who hooks and has it', () => {
    const rule = 'adaptation.arthritis-hook-not-cold';
    const warmUp = (load: number, more: Partial<CallLifter> = {}): RuleEffect | undefined =>
      effect(rule, facts({ role: 'warmup', load, max: 200, lifter: { ...arthritic(0).lifter, ...more } }));
    expect(warmUp(120)).toEqual({ prefers: 'hook' });
    expect(warmUp(119)).toBeUndefined();
    expect(warmUp(150, { hookStage: 'none' })).toBeUndefined();
    expect(warmUp(150, { flags: [] })).toBeUndefined();
    expect(effect(rule, facts({ role: 'volume', load: 180, max: 200, ...arthritic(0) }))).toBeUndefined();
  });
});

describe('what must not be maximal', () => {
  it('is lighter from just above the share of the max on, and is not asked of what runs by the clock', () => {
    const uncleared = flagged({ kind: 'bloodPressure', cleared: false });
    const at = (load?: number, max?: number, lift?: string): RuleEffect | undefined =>
      effect(
        'safety.no-maximal-efforts',
        facts({
          lifter: uncleared,
          ...(lift && { lift }),
          ...(load !== undefined && { load }),
          ...(max !== undefined && { max }),
        }),
      );
    const most = at(200, 200)!.loadAtMost!;
    expect(at(200, 200)).toMatchObject({ bars: GRIP_CHOICES, byLoad: true });
    expect(at(200, 200)!.text).toContain(`at most about ${(most / 200) * 100} % of the max`);
    expect(at(most, 200)).toBeUndefined();
    expect(at(most + 0.1, 200)).toBeDefined();
    expect(at(200)).toBeUndefined();
    expect(at(undefined, 200)).toBeUndefined();
    expect(at(200, 200, 'hold.front-rack')).toBeUndefined();
  });
});

describe('what the day has shown', () => {
  const demand = setDemand({ lift: findLift('deadlift.conventional')!, load: 160, reps: 1 });
  const slipped = lifter({ slippedToday: [{ grip: 'mixed', load: demand.load }] });
  const rule = 'adaptation.slipped-today';

  it('takes the grip that slipped, and what is no stronger, from just that load on', () => {
    expect(effect(rule, facts({ lifter: slipped, demand }))).toEqual({ bars: ['mixed'], byLoad: true });
    const odds = (grip: string): number => ({ doubleOverhand: 0.4, mixed: 0.6, hook: 0.9 })[grip]!;
    expect(effect(rule, facts({ lifter: slipped, demand, odds }))).toEqual({
      ...{ bars: ['doubleOverhand', 'mixed'], byLoad: true },
    });
    expect(effect(rule, facts({ demand }))).toBeUndefined();
    expect(
      effect(rule, facts({ lifter: slipped, demand: { ...demand, load: demand.load / 2 } })),
    ).toBeUndefined();
  });

  it('says nothing of an attempt, nor of a set without a load on the hands', () => {
    expect(effect(rule, facts({ lifter: slipped, demand, role: 'attempt' }))).toBeUndefined();
    expect(effect(rule, facts({ lifter: slipped }))).toBeUndefined();
  });

  it('keeps what is left of the skin for the heavy sets: not hooked past the budget, but for an attempt', () => {
    const spent = (hookBudgetLeft: number, more: Parameters<typeof facts>[0] = {}): RuleEffect | undefined =>
      effect('adaptation.hook-skin-budget', facts({ demand, lifter: lifter({ hookBudgetLeft }), ...more }));
    const asks = demand.load * demand.seconds;
    expect(spent(asks - 1)).toEqual({ bars: ['hook'] });
    expect(spent(asks)).toBeUndefined();
    expect(spent(0, { role: 'attempt' })).toBeUndefined();
    expect(spent(0, { lift: 'hold.behind-back' })).toBeUndefined();
    expect(effect('adaptation.hook-skin-budget', facts({ demand }))).toBeUndefined();
    expect(
      effect('adaptation.hook-skin-budget', facts({ lifter: lifter({ hookBudgetLeft: 0 }) })),
    ).toBeUndefined();
  });

  it('a max single is bare from just its share on, unless the next day is strapped', () => {
    const rule = 'adaptation.max-single-bare';
    const at = (load: number, more: Parameters<typeof facts>[0] = {}): boolean =>
      effect(rule, facts({ load, max: 200, ...more })) !== undefined;
    const least = [...Array(201).keys()].find((load) => at(load))!;
    expect(least).toBeGreaterThan(150);
    expect(at(200, { role: 'volume' })).toBe(false);
    expect(at(200, { reps: 2 })).toBe(false);
    expect(at(200, { lift: 'row.barbell' })).toBe(false);
    expect(at(200, { lifter: lifter({ nextEventStraps: true }) })).toBe(false);
    const event = { name: 'Open', straps: true, thumbTape: true, liquidChalk: true };
    expect(at(200, { event })).toBe(false);
    expect(at(200, { event: { ...event, straps: false }, lifter: lifter({ nextEventStraps: true }) })).toBe(
      true,
    );
  });
});

describe('a rule keeps to its own case', () => {
  const learning = { role: 'warmup', load: 60, lifter: lifter({ hookStage: 'learn' }) } as const;

  it('the hook is practised on pulls from the floor that admit it, and on nothing else', () => {
    const rule = 'adaptation.hook-practice';
    expect(effect(rule, facts(learning))).toMatchObject({ prefers: 'hook' });
    expect(effect(rule, facts({ ...learning, lift: 'row.barbell' }))).toBeUndefined();
    expect(effect(rule, facts({ ...learning, lift: 'deadlift.axle' }))).toBeUndefined();
  });

  it('a last warm-up is hooked for an arthritic thumb, not for another entry', () => {
    const warmUp = { role: 'warmup', load: 120 } as const;
    const rule = 'adaptation.arthritis-hook-not-cold';
    const arthritis = { kind: 'thumbArthritis', cleared: true } as const;
    const other = { kind: 'bloodPressure', cleared: true } as const;
    expect(effect(rule, facts({ ...warmUp, lifter: flagged(other, arthritis) }))).toEqual({
      prefers: 'hook',
    });
    expect(effect(rule, facts({ ...warmUp, lifter: flagged(other) }))).toBeUndefined();
  });

  it('a max single begins at just its share of the best, a load that slipped at just its share', () => {
    const single = (load: number): RuleEffect | undefined =>
      effect('adaptation.max-single-bare', facts({ load, max: 200 }));
    expect([single(195), single(194.9)]).toEqual([{ bars: ['straps'] }, undefined]);
    const slipped = (load: number): RuleEffect | undefined =>
      effect(
        'adaptation.slipped-today',
        facts({
          lifter: lifter({ slippedToday: [{ grip: 'mixed', load: 100 }] }),
          demand: { load, seconds: 5 },
        }),
      );
    expect([slipped(97), slipped(96.9)]).toEqual([{ bars: ['mixed'], byLoad: true }, undefined]);
  });

  it('a chance of nine in ten is well short of the limit', () => {
    const uncleared = flagged({ kind: 'bloodPressure', cleared: false });
    const at = (chance: number): readonly string[] | undefined =>
      effect(
        'safety.no-near-limit-holds',
        facts({ lift: 'hold.front-rack', lifter: uncleared, odds: () => chance }),
      )?.bars;
    expect(at(0.9)).toBeUndefined();
    expect(at(0.899)).toContain('hook');
  });

  it('nothing maximal is asked only of who may not strain, where load and max are known', () => {
    const rule = 'safety.no-maximal-efforts';
    const uncleared = flagged({ kind: 'heart', cleared: false });
    expect(effect(rule, facts({ lifter: uncleared, load: 170, max: 200 }))).toMatchObject({
      loadAtMost: 160,
    });
    expect(effect(rule, facts({ lifter: lifter(), load: 170, max: 200 }))).toBeUndefined();
    expect(effect(rule, facts({ lifter: uncleared, max: 200 }))).toBeUndefined();
    expect(effect(rule, facts({ lifter: uncleared, load: 170 }))).toBeUndefined();
  });

  it('a lift that takes no straps says its own reason, and only that', () => {
    const fired = (lift: string): string[] =>
      CALL_RULES.filter((rule) => /^lift\.straps-/.test(rule.id) && rule.effect(facts({ lift }))).map(
        ({ id }) => id,
      );
    expect(fired('clean')).toEqual(['lift.straps-never-on-cleans']);
    expect(fired('deadlift.conventional')).toEqual([]);
    const own = {
      ...findLift('shrug')!,
      straps: { allowed: false, ruleId: 'club.none', reason: 'not in this club.' },
    } as const;
    expect(effect('lift.straps-not-admitted', { ...facts(), lift: own })!.text).toBe(
      `${own.name}: not in this club.`,
    );
    expect(effect('lift.grip-not-admitted', facts({ lift: 'curl' }))!.text).toBe(
      `${findLift('curl')!.name}: no place for mixed or hook grip on this lift.`,
    );
  });

  it('one hand that is damaged leaves the other, where no strap may spare it', () => {
    const row = findLift('row.dumbbell')!;
    const torn = right({ palm: 'torn' });
    const rule = 'safety.torn-callus-straps';
    expect(effect(rule, facts({ lift: 'row.dumbbell', ...torn }))).toMatchObject({ bars: BARE });
    const bare = { ...row, straps: { allowed: false, ruleId: 'club.none', reason: 'none here' } } as const;
    const text = 'Torn callus on the right hand: straps for pulling until it has healed.';
    expect(effect(rule, { ...facts(torn), lift: bare })).toEqual({ handsOut: ['right'], text });
  });

  it('grip work is not strapped but for a damaged hand that carries', () => {
    const rule = 'lift.no-straps-on-grip-work';
    const torn = right({ palm: 'torn' });
    expect(effect(rule, facts({ lift: 'carry.frame' }))).toEqual({ bars: ['straps'] });
    expect(effect(rule, facts({ lift: 'carry.frame', ...torn }))).toBeUndefined();
    expect(effect(rule, facts({ purpose: 'grip' }))).toEqual({ bars: ['straps'] });
    expect(effect(rule, facts({ purpose: 'grip', ...torn }))).toEqual({ bars: ['straps'] });
    expect(effect(rule, facts())).toBeUndefined();
  });

  it('straps at hand are named where there are some, and none where there are none', () => {
    const text = (straps: ('loop' | 'plain')[]): string =>
      effect(
        'venue.strap-types-at-hand',
        facts({ venue: { name: 'Hall', chalk: 'block', barDiameter: 28.5, straps } }),
      )!.text!;
    expect(text(['loop', 'plain'])).toMatch(/^Hall: straps at hand: \S.*, .*\S\.$/);
    expect(text(['loop', 'plain'])).not.toMatch(/undefined/);
    expect(text([])).toBe('Hall: no straps at hand.');
  });

  it('a rulebook without liquid chalk says nothing where no house is known', () => {
    const event = { name: 'Open', straps: false, thumbTape: true, liquidChalk: false };
    expect(effect('event.liquid-chalk-barred', facts({ event }))).toBeUndefined();
  });
});
