import { SIDES, type HandsToday, type Side } from '@iron-clasp/core';
import clsx from 'clsx';
import type { ReactElement } from 'react';
import { HAND_ZONES, ZONE_NAMES, type HandZone } from '../../ui/marks/hand-zones.ts';
import { zoneLevel, zoneWords } from '../../ui/marks/zone-state.ts';

interface ZoneTableProps {
  readonly hands: HandsToday;
  readonly at: { readonly side: Side; readonly zone: HandZone };
  readonly onSelect: (side: Side, zone: HandZone) => void;
}

/** Both hands zone by zone in words, each a button that opens its choices: the drawing for keyboard and screen reader. */
export function ZoneTable({ hands, at, onSelect }: ZoneTableProps): ReactElement {
  return (
    <table className="w-full">
      <caption className="sr-only">Both hands, zone by zone</caption>
      <thead>
        <tr className="border-b-2 border-ink text-left">
          <th className="pb-1 text-xl" scope="col">
            As told
          </th>
          {SIDES.map((side) => (
            <th key={side} scope="col" className="label w-1/3 px-2 pb-1 font-normal">
              {side}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {HAND_ZONES.map((zone) => (
          <tr key={zone} className="border-b border-rule">
            <th scope="row" className="label text-left font-normal">
              {ZONE_NAMES[zone]}
            </th>
            {SIDES.map((side) => {
              const level = zoneLevel(hands[side], zone);
              const chosen = at.side === side && at.zone === zone;
              return (
                <td key={side} className="py-px">
                  <button
                    type="button"
                    aria-pressed={chosen}
                    aria-label={`${side} ${ZONE_NAMES[zone]}: ${zoneWords(hands[side], zone)}`}
                    onClick={() => onSelect(side, zone)}
                    className={clsx(
                      'min-h-8 w-full rounded-sm border px-2 text-left',
                      chosen ? 'border-forge' : 'border-transparent hover:border-edge',
                      level === 'stop' && 'font-semibold text-oxblood',
                      level === 'caution' && 'text-ochre',
                      level === 'sound' && 'text-quiet',
                    )}
                  >
                    {zoneWords(hands[side], zone)}
                  </button>
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
