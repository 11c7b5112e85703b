import { callSet } from './call-set.ts';
import { context, set } from './fixtures.test-helper.ts';

it('a usual body is spoken of where the body hangs and nobody said how heavy it is, and nowhere else', () => {
  const said = (lift: string, load: number, bodyMass?: number): boolean =>
    callSet(context({ set: set({ lift, load, ...(bodyMass && { bodyMass }) }) })).reasons.some(
      ({ ruleId }) => ruleId === 'evidence.body-mass-assumed',
    );
  expect(said('chin-up', 0)).toBe(true);
  expect(said('chin-up', 0, 75)).toBe(false);
  expect(said('deadlift.conventional', 100)).toBe(false);
});
