import {
  BEFORE_BARE_DEADLIFT_HOURS,
  HARD_HOLD_GAP_HOURS,
  NO_HEAVY_HOLD_DAYS,
} from '../grip-week/spacing-figures.ts';
import { HOLD_KINDS, HOLD_KINDS_BY_ID } from './hold-kinds.ts';
import { loadMaker } from './hold-loads.ts';
import { holdRequest } from './fixtures.test-helper.ts';
import { pinOf, samePin } from './hold-pins.ts';
import { holdRamp } from './hold-ramp.ts';
import type { HoldRequest } from './hold-request.ts';
import { prescribeHold } from './prescribe-hold.ts';
import type { HoldSession } from './progression.ts';

const HEIGHTS = [500, 550, 600, 650, 700];

const ask = (more?: Partial<HoldRequest>): ReturnType<typeof prescribeHold> =>
  prescribeHold(holdRequest(more));

const held = (load: number, more: Partial<HoldSession> = {}): HoldSession => ({
  ...{ load, grip: 'hook', target: 10 },
  sets: [
    { seconds: 10, ended: 'stopped' },
    { seconds: 10, ended: 'stopped' },
  ],
  ...more,
});

describe('the pins', () => {
  it('are named by the hole of the last hold, counted from the floor', () => {
    const next = ask({ history: [held(120, { pin: 650 })], pins: { heights: HEIGHTS } });
    expect(next.pin).toEqual({ height: 650, hole: 4 });
    expect(next.pins).toMatch(/hole 4 of the rack \(650 mm\), as last time/);
  });

  it('that the coach chose come before the last ones', () => {
    const next = ask({ history: [held(120, { pin: 650 })], pins: { heights: HEIGHTS, chosen: 600 } });
    expect(next.pin).toEqual({ height: 600, hole: 3 });
    expect(next.pins).not.toMatch(/last time/);
  });

  it('are asked for where nobody has noted them, and not where the rack lists none', () => {
    expect(ask({ pins: { heights: HEIGHTS } })).toMatchObject({
      pins: expect.stringMatching(/Note the hole/) as string,
    });
    expect(ask({ pins: { heights: HEIGHTS } }).pin).toBeUndefined();
    expect(ask().pins).toBe(HOLD_KINDS_BY_ID.frontRackHold.setUp);
    expect(ask({ history: [held(120, { pin: 620 })] }).pins).toMatch(/at 620 mm/);
  });

  it('of another rack are the nearest, and not compared', () => {
    const history = [held(130, { pin: 620 })];
    expect(ask({ history, pins: { heights: [500, 700] } })).toMatchObject({
      pin: { height: 700, hole: 2 },
      change: 'start',
    });
    // A tape measures as far off as 20 mm.
    expect(ask({ history, pins: { heights: [500, 640] } }).change).toBe('add');
    expect(ask({ history, pins: { heights: [500, 641] } }).change).toBe('start');
  });

  it('that the latest hold did not note are those of the last one that did', () => {
    const history = [held(125), held(120, { pin: 650 })];
    expect(ask({ history, pins: { heights: HEIGHTS } }).pin).toEqual({ height: 650, hole: 4 });
  });

  it('between two holes are the lower one; where no holes are listed, the height itself', () => {
    expect(ask({ history: [held(120, { pin: 625 })], pins: { heights: HEIGHTS } }).pin!.height).toBe(600);
    expect(ask({ history: [held(120, { pin: 620 })] }).pin).toEqual({ height: 620, hole: null });
    expect(ask({ history: [held(120, { pin: 620 })], pins: { heights: [500, 700] } }).pins).toMatch(
      /hole 2 \(700 mm\), the nearest to 620 mm here/,
    );
  });

  it('are the same within a tape’s 20 mm, and with one that nobody noted', () => {
    expect(samePin(600, 620)).toBe(true);
    expect(samePin(600, 621)).toBe(false);
    expect(samePin(undefined, 620)).toBe(true);
    expect(samePin(620, undefined)).toBe(true);
  });

  it('that nobody noted are compared with any', () => {
    expect(ask({ history: [held(130)], pins: { heights: HEIGHTS, chosen: 600 } }).change).toBe('add');
  });

  it('belong to what starts from a rack', () => {
    const kinds = HOLD_KINDS.filter((kind) => HOLD_KINDS_BY_ID[kind].pins);
    expect(kinds).toEqual(['frontRackHold', 'behindBackHold', 'supinatedDeadHold', 'thickBarHold']);
    expect(pinOf(HOLD_KINDS_BY_ID.deadHang, { heights: HEIGHTS, chosen: 600 }, [])).toEqual({
      text: HOLD_KINDS_BY_ID.deadHang.setUp,
    });
  });
});

it('a hold that could not be broken from the pins is no slip: lighter, or a hole higher', () => {
  const stuck = held(130, { sets: [{ seconds: 0, ended: 'notLifted' }] });
  expect(ask({ history: [stuck] })).toMatchObject({ change: 'notLifted', load: 127.5 });
  expect(ask({ history: [stuck] }).why[0]).toMatchObject({ ruleId: 'hold.progress.notLifted' });
});

describe('the ramp', () => {
  it('is two or three lighter holds of 3 to 5 s before a heavy one', () => {
    const { ramp, load } = ask({ history: [held(130)] });
    expect(ramp.map((each) => each.seconds)).toEqual([5, 4, 3]);
    const loads = ramp.map((each) => each.loading.total);
    expect([...loads].sort((a, b) => a - b)).toEqual(loads);
    expect(loads.at(-1)).toBeLessThan(load);
    expect(loads[0]).toBeLessThanOrEqual(0.5 * load);
  });

  it('is left out where the hold is well short of the limit, or hangs', () => {
    expect(ask({ effort: { kind: 'fractionOfBest', fraction: 0.5 } }).ramp).toEqual([]);
    expect(ask({ kind: 'deadHang', bodyMass: 80, equipment: { kind: 'loads', loads: [0, 5] } }).ramp).toEqual(
      [],
    );
  });

  it('never takes the load of the hold itself', () => {
    // The lightest there is stands in for what lies below it.
    expect(holdRamp(40, loadMaker({ kind: 'loads', loads: [40, 60] }))).toEqual([]);
    expect(holdRamp(30, loadMaker({ kind: 'loads', loads: [40, 60] }))).toEqual([]);
  });

  it('has fewer steps where the kit makes no more', () => {
    const bar = { bar: 20, collars: 0, plates: [{ mass: 25, unit: 'kg' as const, pairs: 2 }] };
    const loads = ask({ equipment: bar }).ramp.map((each) => each.loading.total);
    expect(loads).toEqual([20]);
  });
});

describe('a target', () => {
  const told = (target: NonNullable<HoldRequest['target']>): string =>
    ask({ history: [held(120)], target }).why.find((each) => each.ruleId === 'hold.target')!.text;

  it('is judged by the hands as they are now, with the doubt of it', () => {
    expect(told({ load: 150, daysAway: 24 })).toMatch(
      /^The target, 24 days away, is held (\d+ to )?\d+ times in 100 as the hands are now\.$/,
    );
    expect(told({ load: 150, daysAway: -1 })).toMatch(/^The day of the target is past/);
  });

  it('is reached once the load is there', () => {
    expect(told({ load: 100, daysAway: 24 })).toBe('The target is reached with this load.');
  });
});

describe('what stands too close to a hard hold', () => {
  const barred = (more: Partial<HoldRequest>): string | undefined => ask(more).barred?.ruleId;

  it.each([
    ['hoursSinceHardHold', HARD_HOLD_GAP_HOURS, 'spacing.hard-holds-apart'],
    ['hoursToBareDeadlift', BEFORE_BARE_DEADLIFT_HOURS, 'spacing.no-hard-hold-before-bare-deadlift'],
  ] as const)('%s: the full distance is enough, an hour less is not', (fact, hours, rule) => {
    expect(barred({ timing: { [fact]: hours } })).toBeUndefined();
    expect(barred({ timing: { [fact]: hours - 1 } })).toBe(rule);
  });

  it('the last heavy hold before a meet may fall on its day, and not on the next', () => {
    expect(barred({ meet: { daysAway: NO_HEAVY_HOLD_DAYS } })).toBeUndefined();
    expect(barred({ meet: { daysAway: NO_HEAVY_HOLD_DAYS - 1 } })).toBe(
      'spacing.last-heavy-hold-before-meet',
    );
  });

  it('a hold well short of the limit needs no distance', () => {
    const effort = { kind: 'fractionOfBest', fraction: 0.5 } as const;
    expect(barred({ effort, timing: { hoursSinceHardHold: 1 }, meet: { daysAway: 1 } })).toBeUndefined();
  });
});
