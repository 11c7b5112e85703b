import { fitOf } from './screens.ts';

it.each([
  ['lifter Iskra Petrov', 'iskra', 1],
  ['lifter Iskra Petrov', 'Petrov', 0.7],
  ['lifter Iskra Petrov', 'petrov isk', 0.7],
  ['lifter Iskra Petrov', 'kra', 0.3],
  ['lifter Iskra Petrov', 'ruth', 0],
  ['Kit: venues, bars and plates', 'kit', 1],
  ['loads in kilograms or pounds, unit', 'kit', 0],
  ['light or dark theme', 'dark', 0.7],
])('%s for "%s": %d', (entry, typed, fit) => expect(fitOf(entry, typed)).toBe(fit));
