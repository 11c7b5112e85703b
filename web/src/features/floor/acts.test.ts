import type { LogHoldRequest } from '@iron-clasp/contract';
import { entriesOf, laneAfter, undo, type Act } from './acts.ts';
import { NEW_LANE, type LaneMemory } from './lane.ts';

const after = (acts: readonly Act[], start: LaneMemory = NEW_LANE): LaneMemory =>
  acts.reduce(laneAfter, start);
const log = (id: string, more: Partial<Extract<Act, { kind: 'log' }>> = {}): Act => ({
  ...{ kind: 'log', what: 'set', id, rest: 240, now: 1_000, stays: null },
  ...more,
});
const never = (): string => {
  throw new Error('no entry comes back');
};
const HOLD: LogHoldRequest = {
  ...{ load: 150, seconds: 10, ended: 'stopped', target: 10, grip: 'doubleOverhand', chalk: 'block' },
  doneAt: '2026-11-24T12:00:00Z',
};

it('a logged set starts its rest and leaves whatever the lane had jumped to', () => {
  expect(after([{ kind: 'go', at: 'c' }, log('1')])).toMatchObject({
    at: null,
    rest: { until: 241_000, of: 240 },
    actions: [{ kind: 'set', id: '1' }],
  });
});

it('between two holds the lane stays at the holds', () => {
  expect(after([log('1', { what: 'hold', stays: 'hold:frontRackHold' })]).at).toBe('hold:frontRackHold');
  expect(after([log('1', { what: 'hold', stays: null })]).at).toBeNull();
});

it('acts are undone one at a time, the latest first', () => {
  const start = after([log('1'), { kind: 'decide', proposals: [], take: true }, { kind: 'skip', at: 'c' }]);
  expect(start.skipped).toEqual(['c']);
  const first = undo(start, never);
  expect(first.memory.skipped).toEqual([]);
  const second = undo(first.memory, never);
  const third = undo(second.memory, never);
  expect(third.gone).toEqual([{ kind: 'set', id: '1' }]);
  expect(third.memory.rest).toBeNull();
  expect(undo(third.memory, never)).toEqual({ memory: third.memory });
});

it('what one tap logged together one undo takes back, and nothing else', () => {
  const start = after([
    log('1'),
    log('2', { group: 'g' }),
    log('3', { group: 'g' }),
    log('4', { group: 'g' }),
  ]);
  const undone = undo(start, never);
  const common = { sessionId: 's', accountId: 'a' };
  expect(entriesOf(undone, common).map(({ id }) => id)).toEqual(['4', '3', '2']);
  expect(undone.memory.actions).toEqual([{ kind: 'set', id: '1' }]);
  expect(undo(undone.memory, never).gone).toEqual([{ kind: 'set', id: '1' }]);
});

describe('a hold whose second was put right', () => {
  const corrected = after([
    log('1', { what: 'hold', stays: 'hold:frontRackHold' }),
    { kind: 'correct', id: '2', of: '1', earlier: { kind: 'hold', body: HOLD } },
  ]);

  it('keeps the rest that runs and the place at the holds', () => {
    expect(corrected).toMatchObject({ at: 'hold:frontRackHold', rest: { until: 241_000 } });
    expect(corrected.actions).toHaveLength(1);
  });

  it('is what it was before when undone, and gone when undone once more', () => {
    const once = undo(corrected, () => '3');
    const common = { sessionId: 's', accountId: 'a' };
    expect(entriesOf(once, common)).toEqual([
      { ...common, kind: 'hold', id: '2', body: null },
      { ...common, kind: 'hold', id: '3', body: HOLD },
    ]);
    expect(once.memory).toMatchObject({ at: 'hold:frontRackHold', rest: { until: 241_000 } });
    expect(entriesOf(undo(once.memory, never), common)).toEqual([
      { ...common, kind: 'hold', id: '3', body: null },
    ]);
  });
});

it('a skipped set that is gone back to is skipped no more', () => {
  expect(
    after([
      { kind: 'skip', at: 'c' },
      { kind: 'go', at: 'c' },
    ]),
  ).toMatchObject({ skipped: [], at: 'c' });
});

it('a call that stands is not replaced by a later one', () => {
  const calls = (choice: string): Act => ({ kind: 'stand', agreed: { a: { choice } as never } });
  expect(after([calls('hook'), calls('mixed')]).agreed).toEqual({ a: { choice: 'hook' } });
});
