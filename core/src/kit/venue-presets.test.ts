import { checkVenueKit } from './venue-kit.ts';
import { VENUE_PRESET_IDS, VENUE_PRESETS, venueFromPreset } from './venue-presets.ts';

let made = 0;
const newId = (): string => `id ${(made += 1)}`;

describe.each(VENUE_PRESET_IDS)('a %s', (id) => {
  it.each(['kg', 'lb'] as const)('can be used as it is, with plates in %s', (unit) => {
    const kit = venueFromPreset(id, { name: 'Somewhere', unit, newId });
    expect(() => checkVenueKit(kit)).not.toThrow();
    expect(new Set(kit.plates.map((plate) => plate.unit))).toEqual(new Set([unit]));
    expect(kit.name).toBe('Somewhere');
  });

  it('says what sets it apart', () => {
    const preset = VENUE_PRESETS.find((each) => each.id === id)!;
    expect(preset.reason.length).toBeGreaterThan(20);
  });
});

it('bars of pounds weigh what is written on them', () => {
  const kit = venueFromPreset('garage', { name: 'Home', unit: 'lb', newId });
  expect(kit.bars[0]!.mass).toBeCloseTo(20.4117, 3);
});

it('an unknown room is refused by its name', () => {
  expect(() => venueFromPreset('castle' as 'garage', { name: 'Home', unit: 'kg', newId })).toThrow(/preset/);
});
