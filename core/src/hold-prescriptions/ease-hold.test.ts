import { EXAMPLE_SCOPE } from '../public-functions.test-helper.ts';
import { easeHold, findSchool, prescribeHold, type HoldKit } from '../index.ts';

const kit: HoldKit = {
  bar: 20,
  collars: 0,
  plates: [
    { mass: 20, unit: 'kg', pairs: 4 },
    { mass: 2.5, unit: 'kg', pairs: 1 },
  ],
};
const hold = prescribeHold({
  kind: 'frontRackHold',
  ...EXAMPLE_SCOPE,
  school: findSchool('strap-the-volume')!,
  history: [],
  equipment: kit,
});
const reason = { ruleId: 'squeeze.sustained-drop', rank: 'evidence', text: 'Down twice running.' } as const;

it('takes the share off the load, rounded down to the plates, and says why first', () => {
  const eased = easeHold(hold, { share: 0.9, reason }, kit);
  expect(eased.load).toBeLessThanOrEqual(0.9 * hold.load);
  expect(eased.loading.total).toBe(eased.load);
  expect(eased).toMatchObject({ change: 'lighter', seconds: hold.seconds, sets: hold.sets });
  expect(eased.why[0]).toEqual(reason);
  expect(eased.probability).toBe(hold.probability);
});

it('where the kit makes nothing lighter the hold stays, reason and all', () => {
  const bare = { ...hold, load: 20, loading: { total: 20, perSide: [] } };
  expect(easeHold(bare, { share: 0.5, reason }, kit)).toMatchObject({ load: 20, change: hold.change });
});

it.each([0, 1.2, Number.NaN])('refuses a share of %d', (share) => {
  expect(() => easeHold(hold, { share, reason }, kit)).toThrow(/easing\.share/);
});
