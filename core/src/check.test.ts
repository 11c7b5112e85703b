import { checkOneOf, checkPositive, checkProbability, checkRange, checkWhole } from './check.ts';
import { InvalidInputError } from './errors.ts';

const refused = (check: () => unknown): InvalidInputError => {
  try {
    check();
  } catch (error) {
    if (error instanceof InvalidInputError) return error;
    throw error;
  }
  throw new Error('It was taken.');
};

describe('checks let the right values through unchanged', () => {
  it.each([
    [checkPositive('load', 0.5), 0.5],
    [checkPositive('load', 10, 10), 10],
    [checkRange('age', 0, 0, 5), 0],
    [checkRange('age', 5, 0, 5), 5],
    [checkProbability('probability', 0.999), 0.999],
    [checkOneOf('grip', 'hook', ['mixed', 'hook']), 'hook'],
    [checkWhole('reps', 3, 1, 3), 3],
  ])('%p', (found, expected) => expect(found).toBe(expected));
});

describe('checks refuse everything else, naming field and range', () => {
  it.each([0, -5, Number.NaN, Infinity, '10', null, undefined, 11])('checkPositive refuses %p', (value) => {
    const error = refused(() => checkPositive('load', value, 10));
    expect(error.field).toBe('load');
    expect(error.message).toMatch(/^load must be a number above 0 and at most 10; received /);
  });

  it.each([-0.001, 5.001, Number.NaN, '3', {}])('checkRange refuses %p', (value) => {
    expect(refused(() => checkRange('age', value, 0, 5)).allowed).toBe('a number from 0 to 5');
  });

  it.each([0, 1, -1, 2, Number.NaN, '0.5'])('checkProbability refuses %p', (value) => {
    expect(refused(() => checkProbability('p', value)).message).toMatch(/both excluded/);
  });

  it.each(['thumbless', '', 3, undefined, ['hook']])('checkOneOf refuses %p', (value) => {
    expect(refused(() => checkOneOf('grip', value, ['mixed', 'hook'])).allowed).toBe('one of mixed, hook');
  });

  it.each([0, 4, 1.5, '2', Number.NaN])('checkWhole refuses %p', (value) => {
    expect(refused(() => checkWhole('reps', value, 1, 3)).allowed).toBe('a whole number from 1 to 3');
  });

  it('shows what was received without spilling it all', () => {
    expect(refused(() => checkPositive('load', 'x'.repeat(200))).message).toContain(`"${'x'.repeat(40)}"`);
    expect(refused(() => checkPositive('load', [1])).message).toContain('received a list');
    expect(refused(() => checkPositive('load', { kg: 1 })).message).toContain('a value of type object');
  });
});
