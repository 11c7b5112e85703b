import type { SqueezeProtocol } from '@iron-clasp/core';
import { protocolWords, restLeft, testOrder } from './test-order.ts';

const PROTOCOL: SqueezeProtocol = {
  handle: 2,
  elbow: 90,
  posture: 'seated',
  handOrder: 'alternating',
  trials: 2,
  rest: 60,
};
const said = (handOrder: SqueezeProtocol['handOrder']): string =>
  testOrder({ ...PROTOCOL, handOrder })
    .map(({ hand, trial }) => `${hand[0]}${trial}`)
    .join(' ');

it('asks the hands in the order of the protocol', () => {
  expect(said('alternating')).toBe('l1 r1 l2 r2');
  expect(said('leftFirst')).toBe('l1 l2 r1 r2');
  expect(said('rightFirst')).toBe('r1 r2 l1 l2');
});

it('rests each hand by itself', () => {
  const done = [
    { hand: 'left' as const, at: 0 },
    { hand: 'right' as const, at: 20_000 },
  ];
  expect(restLeft('left', done, 60, 30_000)).toBe(30);
  expect(restLeft('right', done, 60, 30_000)).toBe(50);
  expect(restLeft('left', done, 60, 90_000)).toBe(0);
  expect(restLeft('left', [], 60, 0)).toBe(0);
});

it('says a straight arm as one', () => {
  expect(protocolWords({ ...PROTOCOL, elbow: 180 })).toMatch(/arm straight/);
  expect(protocolWords(PROTOCOL)).toMatch(/elbow at 90°, seated, 2 trials a hand, hands in turn, 60 s rest/);
});
