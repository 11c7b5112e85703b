import { fitHoldCurve } from '@iron-clasp/core';
import { answerTo } from './asked.ts';

const curve = fitHoldCurve([], { referenceLoad: 126 });

it('the two questions are each other’s answer', () => {
  const { load } = answerTo(curve, 'hook', { seconds: 12 });
  expect(answerTo(curve, 'hook', { load }).seconds).toBeCloseTo(12, 4);
});

it('the sure answer is the lighter or shorter one', () => {
  for (const asked of [{ load: 120 }, { seconds: 10 }] as const) {
    const { sure, bold } = answerTo(curve, 'mixed', asked);
    expect(sure).toBeLessThan(bold);
  }
});

it('a load held ten seconds as often as not is held ten seconds half the time', () => {
  const { load } = answerTo(curve, 'mixed', { seconds: 10 });
  expect(answerTo(curve, 'mixed', { load }).tenSeconds).toBeCloseTo(0.5, 4);
});
