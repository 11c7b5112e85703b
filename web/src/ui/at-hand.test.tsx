/** @jest-environment jsdom */
import './component.test-helper.ts';
import { render } from '@testing-library/react';
import { AtHand, InOwnUnit, loadsAtHand, namedLoad } from './at-hand.tsx';

const lb = { total: 49.98, perSide: [{ mass: 25, unit: 'lb' as const }] };
const bare = { total: 20.5, perSide: [] };
const kg = { total: 100, perSide: [{ mass: 20, unit: 'kg' as const }] };

it('a load is said in the unit of its plates, named where it is not the reader’s', () => {
  const { container } = render(
    <>
      <AtHand loading={lb} reader="kg" /> <InOwnUnit loading={lb} reader="kg" />;{' '}
      <AtHand loading={kg} reader="kg" />
      <InOwnUnit loading={kg} reader="kg" />; <AtHand loading={kg} reader="kg" named />
    </>,
  );
  expect(container.textContent).toBe('110\u00a0lb 50 kg; 100; 100\u00a0kg');
});

it('sets of one bar have one unit, an empty bar among them too', () => {
  expect(loadsAtHand([bare, lb], 'kg')).toBe('45 · 110 lb');
  expect(loadsAtHand([bare], 'kg')).toBe('20.5');
  expect(namedLoad(lb, 'kg')).toBe('110 lb');
  expect(namedLoad(kg, 'lb')).toBe('100 kg');
});
