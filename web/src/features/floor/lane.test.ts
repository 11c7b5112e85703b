import type { CalledSet, FloorView, LoggedSetView, LogSetRequest } from '@iron-clasp/contract';
import type { SetCall } from '@iron-clasp/core';
import { calledSet as set, setCall as call } from '../../data/training/calls.test-helper.ts';
import { asRequest, type ToSend, type Waiting } from '../../offline/outbox.ts';
import {
  afterSet,
  asCalled,
  decide,
  doneToday,
  laneOf,
  mindedNow,
  NEW_LANE,
  proposalsOf,
  warmupsAhead,
  type LaneMemory,
} from './lane.ts';

const logged = (id: string, plannedSetId: string): LoggedSetView => ({
  ...{
    id,
    plannedSetId,
    load: 150,
    reps: 1,
    style: 'reset',
    seconds: null,
    diameter: 29,
    grip: 'hook',
    sideUnder: null,
    strapped: false,
    chalk: 'block',
    slippedAtRep: null,
  },
  ...{ pain: null, confidence: null, cause: null, signs: [], note: null, doneAt: '' },
});
const view = (more: Partial<FloorView['calls']> = {}): FloorView =>
  ({
    calls: {
      session: { id: 's', bar: { diameter: 29 }, bars: [], venue: { chalk: 'block' } },
      sets: [set('a', 150), set('b', 160), set('c', 160)],
      holds: [
        {
          kind: 'frontRackHold',
          hold: { kind: 'frontRackHold', sets: 2, seconds: 10, lift: 'hold.front-rack' },
        },
      ],
      holdsDone: [],
      ...more,
    },
  }) as unknown as FloorView;
const body: LogSetRequest = { ...asCalled(set('a', 150), call('hook'), 'block', 150), doneAt: '' };
const waits = (id: string, plannedSetId: string | null): Waiting =>
  asRequest({
    ...{ id, kind: 'set', sessionId: 's', accountId: 'x' },
    body: plannedSetId === null ? null : { ...body, plannedSetId },
  } as ToSend);
const remember = (more: Partial<LaneMemory>): LaneMemory => ({ ...NEW_LANE, ...more });

describe('a lane', () => {
  it('goes through the sets, then the holds, and is at its end', () => {
    expect(laneOf(view(), [], NEW_LANE)).toMatchObject({
      current: { set: { id: 'a' } },
      next: { set: { id: 'b' } },
      count: { done: 0, of: 5 },
    });
    const all = [waits('1', 'a'), waits('2', 'b'), waits('3', 'c')];
    expect(laneOf(view(), all, NEW_LANE)).toMatchObject({ current: { kind: 'hold' }, next: null });
    expect(laneOf(view(), all, remember({ skipped: ['hold:frontRackHold'] })).current).toBeNull();
  });

  it('goes through several kinds of hold, each with its own count, and back to one that was done', () => {
    const hold = (kind: string, sets: number): object => ({
      kind,
      hold: { kind, sets, lift: 'hold.front-rack' },
    });
    const holds = [hold('frontRackHold', 1), hold('deadHang', 2)] as never;
    const held = asRequest({
      ...{ id: 'h', kind: 'hold', sessionId: 's', accountId: 'x' },
      body: {
        ...{ kind: 'frontRackHold', liftId: 'hold.front-rack', load: 150, seconds: 10, target: 10 },
        ...{ ended: 'stopped', grip: 'hook', chalk: 'block', pin: 620, doneAt: '' },
      },
    } as ToSend);
    const all = [waits('1', 'a'), waits('2', 'b'), waits('3', 'c')];
    const lane = laneOf(view({ holds }), [...all, held], NEW_LANE);
    expect(lane).toMatchObject({
      current: { hold: { kind: 'deadHang' }, done: 0 },
      count: { done: 4, of: 6 },
    });
    expect(lane.holds).toMatchObject([{ pin: 620, ended: 'stopped' }]);
    const back = laneOf(view({ holds }), [...all, held], remember({ at: 'hold:frontRackHold' }));
    expect(back.current).toMatchObject({ hold: { kind: 'frontRackHold' }, done: 1 });
  });

  it('counts what the server has and what waits here once, and what is taken back not at all', () => {
    const known = view({ sets: [set('a', 150, logged('1', 'a')), set('b', 160), set('c', 160)] });
    const twice = laneOf(known, [waits('1', 'a')], NEW_LANE);
    expect(twice.count.done).toBe(1);
    expect(twice.sets[0]!.done).toMatchObject({ id: '1', waiting: true });
    expect(laneOf(known, [waits('1', null)], NEW_LANE).count.done).toBe(0);
    // Another lane's entries, and refused ones, are not this lane's.
    const other = [
      { ...waits('2', 'b'), sessionId: 't' },
      { ...waits('3', 'c'), refused: 'no' },
    ] as Waiting[];
    expect(laneOf(known, other, NEW_LANE).count.done).toBe(1);
  });

  it('somebody jumps ahead, and a set left out is passed by', () => {
    expect(laneOf(view(), [], remember({ at: 'c' })).current).toMatchObject({ set: { id: 'c' } });
    expect(laneOf(view(), [], remember({ at: 'hold:frontRackHold' })).current).toMatchObject({
      kind: 'hold',
      done: 0,
    });
    expect(laneOf(view(), [], remember({ skipped: ['a'] })).current).toMatchObject({ set: { id: 'b' } });
  });

  it('hands the core what was done today, slips and holds too', () => {
    const slip = waits('1', 'a') as Waiting & { body: LogSetRequest };
    const lane = laneOf(
      view(),
      [{ ...slip, kind: 'set', body: { ...slip.body, slippedAtRep: 1 } }],
      NEW_LANE,
    );
    expect(doneToday(lane).done).toEqual([
      {
        liftId: 'deadlift.conventional',
        load: 150,
        reps: 1,
        style: 'reset',
        seconds: null,
        grip: 'hook',
        strapped: false,
        chalk: 'block',
        diameter: 29,
        slippedAtRep: 1,
      },
    ]);
  });
});

describe('calls that change', () => {
  const lane = laneOf(view(), [waits('1', 'a')], NEW_LANE);
  const calls = [
    call('mixed', { sideUnder: 'left' }),
    call('straps', { straps: { type: 'loop', turns: 3 } }),
    call('hook'),
  ];

  it('are proposed for sets not done only, and only where they differ', () => {
    expect(proposalsOf(lane, calls, NEW_LANE).map(({ set: each }) => each.id)).toEqual(['b']);
  });

  it('an agreed call that still does what is asked is left in peace', () => {
    const alternatives = (probability: number): SetCall['alternatives'] => ({
      grips: [
        {
          ...{ choice: 'hook', permitted: true, probability },
          why: {
            ruleId: probability < 0.95 ? 'evidence.below-threshold' : 'school.a.ladder',
            ...{ rank: 'evidence', text: 'a' },
          },
        },
      ],
      schools: [],
    });
    const now = (probability: number): SetCall[] => [
      calls[0]!,
      call('mixed', { alternatives: alternatives(probability) }),
      calls[2]!,
    ];
    expect(proposalsOf(lane, now(0.96), NEW_LANE)).toEqual([]);
    expect(proposalsOf(lane, now(0.94), NEW_LANE)).toHaveLength(1);
  });

  it('taken they are what is agreed; kept the same call does not come back, another one does', () => {
    const proposals = proposalsOf(lane, calls, NEW_LANE);
    const taken = decide(NEW_LANE, proposals, true);
    expect(taken.agreed['b']!.choice).toBe('straps');
    expect(proposalsOf(lane, calls, taken)).toEqual([]);
    const kept = decide(NEW_LANE, proposals, false);
    expect(kept.agreed['b']).toBeUndefined();
    expect(proposalsOf(lane, calls, kept)).toEqual([]);
    expect(proposalsOf(lane, [calls[0]!, call('doubleOverhand'), calls[2]!], kept)).toHaveLength(1);
  });
});

it('a set as called says straps, side and chalk as they were called', () => {
  expect(asCalled(set('a', 150), call('mixed', { sideUnder: 'left' }), 'block', 150)).toMatchObject({
    grip: 'mixed',
    sideUnder: 'left',
    strapped: false,
    chalk: 'block',
  });
  expect(asCalled(set('a', 150), call('straps'), 'block', 150)).toMatchObject({
    grip: 'doubleOverhand',
    strapped: true,
  });
  expect(asCalled(set('a', 150), call(null, { verdict: 'free' }), 'block', 140)).toMatchObject({
    load: 140,
    chalk: 'none',
  });
});

describe('warm-ups that stand ahead together', () => {
  const warm = (id: string, more: Partial<CalledSet> = {}): CalledSet => ({
    ...{ ...set(id, 60), role: 'warmup' as const },
    ...more,
  });
  const ahead = (sets: readonly CalledSet[], memory: LaneMemory = NEW_LANE): string[] =>
    warmupsAhead(laneOf(view({ sets }), [], memory), memory).map(({ id }) => id);
  const top = set('top', 150);

  it('are those of the lift, from the current one to its first work set', () => {
    expect(ahead([warm('a'), warm('b'), warm('c'), top, warm('d')])).toEqual(['a', 'b', 'c']);
    expect(ahead([warm('a', { done: logged('1', 'a') }), warm('b'), warm('c'), top])).toEqual(['b', 'c']);
    expect(ahead([warm('a'), warm('b'), warm('c'), top], { ...NEW_LANE, skipped: ['b'] })).toEqual([
      'a',
      'c',
    ]);
    expect(ahead([warm('a'), warm('b'), warm('x', { liftId: 'row.barbell' })])).toEqual(['a', 'b']);
  });

  it('end at one that may not be done as called, or runs by the clock', () => {
    const stopped = warm('c', { call: call(null, { verdict: 'stop' }) });
    expect(ahead([warm('a'), warm('b'), stopped, warm('d')])).toEqual(['a', 'b']);
    expect(ahead([warm('a'), warm('b'), warm('c', { seconds: 10 })])).toEqual(['a', 'b']);
  });

  it('are no group where one stands alone, or work is up', () => {
    expect(ahead([warm('a'), top])).toEqual([]);
    expect(ahead([top, warm('a'), warm('b')])).toEqual([]);
  });
});

describe('what is worked out ahead', () => {
  it('is what today will be, however the set ends', () => {
    const lane = laneOf(view(), [waits('1', 'a')], NEW_LANE);
    const called = { ...asCalled(set('b', 160), call('hook'), 'block', 160), reps: 3 };
    const then = (more: Partial<LogSetRequest>): Waiting =>
      asRequest({
        ...{ id: '2', kind: 'set', sessionId: 's', accountId: 'x' },
        body: { ...called, ...more, doneAt: '2026-11-24T12:00:00Z' },
      });
    const ends = [{}, { slippedAtRep: 1 }, { slippedAtRep: 2 }, { slippedAtRep: 3 }];
    expect(afterSet(lane, called, view())).toEqual(
      ends.map((end) => doneToday(laneOf(view(), [waits('1', 'a'), then(end)], NEW_LANE))),
    );
  });

  it('is not guessed of a timed set, nor at a hold', () => {
    const timed = view({ sets: [{ ...set('a', 60), seconds: 30 }] });
    expect(afterSet(laneOf(timed, [], NEW_LANE), body, timed)).toHaveLength(1);
    const held = laneOf(view(), [], remember({ at: 'hold:frontRackHold' }));
    expect(afterSet(held, body, view())).toEqual([]);
  });
});

describe('cautions of an agreed call', () => {
  const sore = ['Elbow pain: go easy.'];
  it('are those of now: hands that were told since are minded, and healed ones no more', () => {
    expect(mindedNow(call('hook'), { ...call('hook'), cautions: sore }).cautions).toEqual(sore);
    expect(mindedNow({ ...call('hook'), cautions: sore }, call('hook')).cautions).toEqual([]);
  });

  it('about a grip stand with that grip, where another would be called now and the agreed one was kept', () => {
    const [strapped, joint] = [
      'Nobody near a loaded bar held with straps: it cannot be let go at once.',
      'Thumb joint: stop the hook as soon as the joint is felt.',
    ];
    const kept = { ...call('hook'), cautions: ['Elbow pain before.', joint] };
    const now = { ...call('straps'), cautions: [strapped, ...sore] };
    expect(mindedNow(kept, now)).toMatchObject({ choice: 'hook', cautions: [joint, ...sore] });
  });

  it('leave a call as it is where nothing changed', () => {
    const agreed = { ...call('hook'), cautions: sore };
    expect(mindedNow(agreed, { ...call('hook'), cautions: [...sore] })).toBe(agreed);
    expect(mindedNow(agreed, undefined)).toBe(agreed);
  });
});
