import type { ReactElement } from 'react';
import { Select } from './select.tsx';

let known: ReadonlyMap<string, readonly string[]> | undefined;

/** Zones by the part of the world they are named after. */
function zonesByArea(): ReadonlyMap<string, readonly string[]> {
  if (known) return known;
  const areas = new Map<string, string[]>();
  for (const zone of new Set([...Intl.supportedValuesOf('timeZone'), 'UTC'])) {
    const [area = ''] = zone.split('/');
    areas.set(area, [...(areas.get(area) ?? []), zone]);
  }
  return (known = areas);
}

const named = (zone: string): string =>
  zone.split('/').slice(1).join(', ').replaceAll('_', ' ') || zone.replaceAll('_', ' ');

/** Where a club's days are counted: a part of the world, then a place in it. */
export function TimeZoneField({
  value,
  error,
  onChange,
}: {
  value: string;
  error?: string | undefined;
  onChange: (zone: string) => void;
}): ReactElement {
  const areas = zonesByArea();
  const [area = ''] = value.split('/');
  const zones = areas.get(area) ?? [];
  // A zone this browser knows by another name stays as it is.
  const places = zones.includes(value) || value === '' ? zones : [value, ...zones];
  return (
    <div className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-2">
      <Select
        label="Time zone"
        value={area}
        options={[...areas.keys()].map((each) => [each, each] as const)}
        onChange={(chosen) => onChange(areas.get(chosen)![0]!)}
      />
      <Select
        label="Place"
        value={value}
        options={places.map((each) => [each, named(each)] as const)}
        error={error}
        onChange={onChange}
      />
    </div>
  );
}
