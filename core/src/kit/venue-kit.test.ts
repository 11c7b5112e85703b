import { checkVenueKit, type VenueKit } from './venue-kit.ts';

const bar = {
  id: 'a',
  name: 'Power bar',
  mass: 20,
  diameter: 29,
  collars: 5,
  knurl: 'medium',
  brushEvery: 150,
} as const;
const kit: VenueKit = {
  name: 'Shed',
  chalk: 'block',
  note: 'Damp from October on.',
  straps: ['loop'],
  has: ['rack'],
  bars: [bar],
  plates: [
    { mass: 20, unit: 'kg', pairs: 2 },
    { mass: 20, unit: 'lb', pairs: 2 },
  ],
  handles: [{ id: 'h', name: 'Thick handle', diameter: 60, mass: 5 }],
  grippers: [{ id: 'g', name: 'Grey', resistance: null }],
  racks: [{ id: 'r', name: 'Rack', pinHeights: [500, 550, 600] }],
  dynamometers: [{ id: 'd', name: 'Hand dynamometer', settings: [{ name: '2', span: 48 }] }],
};

it('takes a kit as clubs have it, an unmeasured gripper and equal masses in two units included', () => {
  expect(() => checkVenueKit(kit)).not.toThrow();
  expect(() => checkVenueKit({ ...kit, straps: null, has: null })).not.toThrow();
});

it.each<[string, Partial<VenueKit>, RegExp]>([
  ['no bar', { bars: [] }, /^bars must be at least one bar/],
  ['a bar twice', { bars: [bar, bar] }, /^bars must be a list with each id once/],
  ['a nameless venue', { name: '  ' }, /^name must be a name/],
  ['a plate twice', { plates: [kit.plates[0]!, kit.plates[0]!] }, /^plates\[1\] must be listed once/],
  [
    'pins out of order',
    { racks: [{ id: 'r', name: 'R', pinHeights: [600, 500] }] },
    /^racks\[0\]\.pinHeights\[1\]/,
  ],
  [
    'a gripper in the wrong unit',
    { grippers: [{ id: 'g', name: 'G', resistance: 900 }] },
    /^grippers\[0\]\.resistance/,
  ],
  ['a bar in centimetres', { bars: [{ ...bar, diameter: 2.9 }] }, /^bars\[0\]\.diameter/],
])('refuses %s by name', (_name, more, message) => {
  expect(() => checkVenueKit({ ...kit, ...more })).toThrow(message);
});
