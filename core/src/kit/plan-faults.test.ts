import { planFaults, type PlannedForVenue, type VenueEquipment } from './plan-faults.ts';

const venue: VenueEquipment = {
  name: 'Hotel',
  bar: 20,
  plates: [
    { mass: 20, unit: 'kg', pairs: 4 },
    { mass: 5, unit: 'kg', pairs: 1 },
    { mass: 1.25, unit: 'kg', pairs: 1 },
  ],
  has: ['rack'],
};
const pull = (load: number, role: PlannedForVenue['role'] = 'top'): PlannedForVenue => ({
  lift: 'deadlift.conventional',
  role,
  load,
});
const found = (...plan: PlannedForVenue[]): (readonly [string, number])[] =>
  planFaults(plan, venue).map(({ ruleId, set }) => [ruleId, set]);

describe('each rule, set off and not', () => {
  it.each<[string, PlannedForVenue[], (readonly [string, number])[]]>([
    [
      'a handle that is not listed',
      [{ lift: 'carry.handles', role: 'accessory', load: 80 }],
      [['kit.missing', 0]],
    ],
    ['a rack that is', [{ lift: 'hold.front-rack', role: 'accessory', load: 100 }], []],
    ['more than all the plates', [pull(240)], [['kit.too-heavy', 0]]],
    ['as much as all the plates', [pull(192.5)], []],
    ['less than the bar', [pull(12)], [['kit.empty-bar-heavier', 0]]],
    ['a little less than the bar', [pull(18)], []],
    ['between two plates', [pull(86)], [['kit.coarse-plates', 0]]],
    ['near enough to one', [pull(74)], []],
    [
      'two warm-ups that come out alike',
      [pull(60, 'warmup'), pull(61, 'warmup')],
      [['kit.ramp-step-lost', 1]],
    ],
    ['two warm-ups written alike', [pull(60, 'warmup'), pull(60, 'warmup')], []],
  ])('%s', (_name, plan, expected) => {
    expect(found(...plan)).toEqual(expected);
  });
});

it('says a fault of alike sets once, and only the gravest of a set', () => {
  expect(found(pull(240), pull(240), pull(240))).toEqual([['kit.too-heavy', 0]]);
});

it('misses nothing at a venue where nobody has listed the kit', () => {
  const { has: _has, ...unlisted } = venue;
  expect(planFaults([{ lift: 'carry.handles', role: 'accessory', load: 80 }], unlisted)).toEqual([]);
});

it('what is not done on a bar is not made from plates', () => {
  expect(
    planFaults([{ lift: 'row.dumbbell', role: 'volume', load: 51 }], { ...venue, has: ['dumbbells'] }),
  ).toEqual([]);
});
