import type { CallsView } from '@iron-clasp/contract';
import { countDone, wantedHolds } from './wanted-holds.ts';

const HOLDS = [
  { kind: 'frontRackHold', hold: { kind: 'frontRackHold', sets: 2 } },
  { kind: 'deadHang', hold: { kind: 'deadHang', sets: 1, barred: { text: 'biceps' } } },
  { kind: 'platePinch', hold: null },
] as unknown as CallsView['holds'];
const times = (n: number): { kind: 'frontRackHold' }[] => Array(n).fill({ kind: 'frontRackHold' });

it('a hold that is barred or not prescribed is none', () => {
  expect(wantedHolds(HOLDS, times(1)).map(({ hold, done }) => [hold.kind, done])).toEqual([
    ['frontRackHold', 1],
  ]);
  expect(wantedHolds(HOLDS, [{ kind: 'deadHang' }])[0]!.done).toBe(0);
});

it.each([
  [0, 1],
  [1, 2],
  [2, 3],
  [5, 3],
])('%d holds beside one of two sets make %d of 4', (held, done) => {
  const sets = [{ done: { id: 'a' } }, { done: null }];
  expect(countDone(sets, wantedHolds(HOLDS, times(held)))).toEqual({ done, of: 4 });
});
