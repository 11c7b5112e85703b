import fc from 'fast-check';
import { formatMass, fromKg, toKg } from './mass.ts';

describe('mass', () => {
  it('knows the pound exactly', () => {
    expect(toKg(1, 'lb')).toBe(0.45359237);
    expect(toKg(45, 'lb')).toBeCloseTo(20.41165665, 10);
    expect(toKg(20, 'kg')).toBe(20);
  });

  it('goes there and back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1000, noNaN: true }),
        fc.constantFrom('kg', 'lb'),
        (value, unit) => {
          expect(fromKg(toKg(value, unit), unit)).toBeCloseTo(value, 9);
        },
      ),
    );
  });

  it.each([
    [172.5, 'kg', '172.5 kg'],
    [100, 'kg', '100 kg'],
    [101.25, 'kg', '101.25 kg'],
    [100, 'lb', '220.5 lb'],
    [toKg(45, 'lb'), 'lb', '45 lb'],
  ] as const)('writes %d kg in %s as %s', (kg, unit, words) => expect(formatMass(kg, unit)).toBe(words));
});
