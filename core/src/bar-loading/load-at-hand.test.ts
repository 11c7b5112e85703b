import fc from 'fast-check';
import { toKg } from '../units/mass.ts';
import { sayLoad, unitAtHand, unitOfPlates } from './load-at-hand.ts';

const plates = (...perSide: { mass: number; unit: 'kg' | 'lb' }[]) => ({ total: 100, perSide });

it('the unit is that of the plates, where all of them have one', () => {
  const lb = plates({ mass: 45, unit: 'lb' });
  const kg = plates({ mass: 20, unit: 'kg' });
  expect(unitAtHand([lb, plates()], 'kg')).toBe('lb');
  expect(unitAtHand([kg], 'lb')).toBe('kg');
  expect(unitAtHand([lb, kg], 'kg')).toBe('kg');
  expect(unitAtHand([], 'lb')).toBe('lb');
  expect(unitAtHand([plates()], 'kg')).toBe('kg');
  expect([[lb, plates()], [lb, kg], []].map(unitOfPlates)).toEqual(['lb', null, null]);
});

it.each([
  [49.98, 'lb', 'kg', { figure: '110', unit: 'lb', beside: '50 kg' }],
  [142.5, 'kg', 'lb', { figure: '142.5', unit: 'kg', beside: '314 lb' }],
  [142.5, 'kg', 'kg', { figure: '142.5', unit: 'kg', beside: null }],
  [toKg(315, 'lb'), 'lb', 'lb', { figure: '315', unit: 'lb', beside: null }],
  [0, 'lb', 'kg', { figure: '0', unit: 'lb', beside: '0 kg' }],
] as const)('%f kg in %s for a reader of %s', (kg, hand, reader, said) => {
  expect(sayLoad(kg, hand, reader)).toEqual(said);
});

it('what is said is within half a step of what is on the bar', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 500, noNaN: true }), (kg) => {
      expect(Math.abs(toKg(Number(sayLoad(kg, 'lb', 'kg').figure), 'lb') - kg)).toBeLessThanOrEqual(0.2268);
      expect(Math.abs(Number(sayLoad(kg, 'kg', 'lb').figure) - kg)).toBeLessThanOrEqual(0.25 + 1e-9);
    }),
  );
});
