import { KIT_NEED_NAMES, loadBar, STRAP_NAMES, toKg, type VenueKit } from '@iron-clasp/core';
import type { BarUseView, VenueView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useRef, type ReactElement, type ReactNode } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { plateHeight } from '../../ui/marks/plates.ts';
import { Button } from '../../ui/button.tsx';
import { formatMass } from '../../ui/figures.ts';
import { Failed } from '../../ui/states.tsx';
import { useBrush } from '../../data/kit/kit.ts';

const CHALK_RULE = {
  block: 'Block chalk is allowed.',
  liquid: 'Liquid chalk only.',
  none: 'No chalk is allowed.',
} as const;

/** A venue as it stands: bars with their brushing, plates to scale, and what else is there. */
export function VenueSheet({ venue }: { venue: VenueView }): ReactElement {
  const { kit } = venue;
  return (
    <div className="grid grid-cols-1 gap-x-10 gap-y-6 pt-4 xl:grid-cols-2">
      <section aria-label="The house" className="xl:col-span-2">
        <p className="text-xl">
          <b>{CHALK_RULE[kit.chalk]}</b>{' '}
          {kit.straps === null
            ? 'Any straps.'
            : kit.straps.length === 0
              ? 'No straps here.'
              : `Straps: ${kit.straps.map((type) => STRAP_NAMES[type]).join(', ')}.`}
        </p>
        {kit.note && <p className="max-w-prose text-quiet">{kit.note}</p>}
      </section>
      <Part title="Bars">
        <ul>
          {kit.bars.map((bar, i) => (
            <li key={bar.id} className="border-b border-rule py-2">
              <BarRow bar={bar} use={venue.bars[i]!} main={i === 0} />
            </li>
          ))}
        </ul>
      </Part>
      <Part title="Plates">
        <Plates kit={kit} />
      </Part>
      {kit.racks.length > 0 && (
        <Part title="Racks">
          {kit.racks.map((rack) => (
            <Pins key={rack.id} name={rack.name} heights={rack.pinHeights} />
          ))}
        </Part>
      )}
      {kit.grippers.length > 0 && (
        <Part title="Grippers">
          <Ladder grippers={kit.grippers} />
        </Part>
      )}
      {kit.handles.length > 0 && (
        <Part title="Handles">
          <ul className="flex flex-wrap gap-6 pt-2">
            {kit.handles.map((handle) => (
              <li key={handle.id} className="flex items-center gap-3">
                <Section diameter={handle.diameter} />
                <span>
                  {handle.name}
                  <Mass kg={handle.mass} diameter={handle.diameter} />
                </span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {kit.dynamometers.length > 0 && (
        <Part title="Dynamometers">
          {kit.dynamometers.map((each) => (
            <p key={each.id} className="border-b border-rule py-1.5">
              {each.name}
              <span className="block text-sm text-quiet">
                {each.settings.length === 0
                  ? 'no handle settings listed'
                  : `handle ${each.settings.map((setting) => `${setting.name}: ${setting.span} mm`).join(', ')}`}
              </span>
            </p>
          ))}
        </Part>
      )}
      <Part title="Also here">
        <p className="pt-2">
          {kit.has === null
            ? 'Nobody has listed what else is here, so nothing is missed.'
            : kit.has.length === 0
              ? 'Nothing beside bars and plates.'
              : kit.has.map((need) => KIT_NEED_NAMES[need].replace(/^an? /, '')).join(', ')}
        </p>
      </Part>
    </div>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }): ReactElement {
  return (
    <section aria-label={title}>
      <h2 className="border-b-2 border-ink pb-1 text-xl">{title}</h2>
      {children}
    </section>
  );
}

function Mass({ kg, diameter }: { kg: number; diameter: number }): ReactElement {
  const unit = useUnit();
  return (
    <span className="figures block text-lg text-quiet">
      {formatMass(kg, unit)} · {diameter} mm
    </span>
  );
}

/** What a hand closes on, cut through, at half its size. */
function Section({ diameter }: { diameter: number }): ReactElement {
  const r = diameter / 4;
  return (
    <svg width={40} height={40} viewBox="-20 -20 40 40" aria-hidden className="shrink-0">
      <circle r={Math.min(r, 19)} fill="var(--edge)" />
      <circle r={Math.min(r, 19)} fill="none" stroke="currentColor" strokeWidth={1.2} />
    </svg>
  );
}

function BarRow({
  bar,
  use,
  main,
}: {
  bar: VenueKit['bars'][number];
  use: BarUseView;
  main: boolean;
}): ReactElement {
  const unit = useUnit();
  const brush = useBrush();
  // One id a brushing: pressed again after a lost answer it is still the same one.
  const id = useRef(crypto.randomUUID());
  const share = Math.min(1, use.chalkedSets / bar.brushEvery);
  return (
    <div className="grid grid-cols-[2.5rem_minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1">
      <Section diameter={bar.diameter} />
      <div>
        <b>{bar.name}</b>
        {main && <span className="text-quiet"> · used unless a session says otherwise</span>}
        <span className="figures block text-lg text-quiet">
          {formatMass(bar.mass, unit)} · {bar.diameter} mm
          {bar.collars > 0 && ` · collars ${formatMass(bar.collars, unit)}`}
        </span>
        <span className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
          <span aria-hidden className="block h-2 w-32 shrink-0 border border-edge">
            <span
              className={use.due ? 'block h-full bg-ochre' : 'block h-full bg-edge'}
              style={{ width: `${share * 100}%` }}
            />
          </span>
          <span className={use.due ? 'font-semibold text-ochre' : 'text-quiet'}>
            {use.due ? 'brushing is due: ' : ''}
            {use.chalkedSets} chalked sets of {bar.brushEvery}{' '}
            {use.brushedAt
              ? `since ${format(parseISO(use.brushedAt), 'd MMM')}${use.brushedBy ? `, ${use.brushedBy}` : ''}`
              : 'and never brushed'}
          </span>
        </span>
      </div>
      <Button
        disabled={brush.isPending}
        aria-label={`${bar.name} is brushed`}
        onClick={() =>
          brush.mutate(
            { barId: bar.id, id: id.current },
            { onSuccess: () => (id.current = crypto.randomUUID()) },
          )
        }
      >
        Brushed
      </Button>
      {brush.error && (
        <div className="col-span-3">
          <Failed error={brush.error} />
        </div>
      )}
    </div>
  );
}

const TALLEST_MM = 450;

/** Plates as tall as they are, with how many pairs there are, and what they make on the first bar. */
function Plates({ kit }: { kit: VenueKit }): ReactElement {
  const unit = useUnit();
  const plates = [...kit.plates]
    .filter((plate) => plate.pairs > 0)
    .sort((a, b) => toKg(b.mass, b.unit) - toKg(a.mass, a.unit));
  const bar = kit.bars[0]!;
  const load = { bar: bar.mass, collars: bar.collars, plates: kit.plates };
  const most = loadBar({ target: 4000, ...load }).nearest.total;
  const least = plates.at(-1);
  if (plates.length === 0)
    return <p className="pt-2 text-quiet">No plates: the empty bar is all there is.</p>;
  return (
    <>
      <ul className="flex items-end gap-2 overflow-x-auto pt-3">
        {plates.map(({ mass, unit: own, pairs }) => {
          const height = Math.max(24, (plateHeight(toKg(mass, own)) / TALLEST_MM) * 96);
          return (
            <li key={`${mass} ${own}`} className="figures text-center">
              <span
                className="mx-auto grid w-11 place-items-center border border-ink bg-raised text-lg font-semibold"
                style={{ height }}
              >
                {mass}
              </span>
              <span className="block text-sm text-quiet">
                {own} × {pairs} {pairs === 1 ? 'pair' : 'pairs'}
              </span>
            </li>
          );
        })}
      </ul>
      <p className="mt-2 text-sm text-quiet">
        On the {bar.name.toLowerCase()}: up to {formatMass(most, unit)}, in steps of{' '}
        {formatMass(2 * toKg(least!.mass, least!.unit), unit)} at the finest.
      </p>
    </>
  );
}

/** A rack's pins from the floor up. */
function Pins({ name, heights }: { name: string; heights: readonly number[] }): ReactElement {
  const top = heights.at(-1) ?? 0;
  return (
    <div className="border-b border-rule py-2">
      <p>
        {name}
        <span className="text-quiet">
          {heights.length === 0
            ? ': pin heights not listed'
            : `: ${heights.length} pins from ${heights[0]} to ${top} mm`}
        </span>
      </p>
      {heights.length > 0 && (
        <svg viewBox="0 0 400 22" className="mt-1 block w-full max-w-md" aria-hidden>
          <line x1={0} y1={16} x2={400} y2={16} stroke="var(--rule)" />
          {heights.map((height) => (
            <line
              key={height}
              x1={(height / top) * 396 + 2}
              x2={(height / top) * 396 + 2}
              y1={6}
              y2={16}
              stroke="currentColor"
              strokeWidth={2}
            />
          ))}
        </svg>
      )}
    </div>
  );
}

/** Grippers by measured resistance, on one scale. */
function Ladder({ grippers }: { grippers: VenueKit['grippers'] }): ReactElement {
  const unit = useUnit();
  const rated = grippers.filter((each) => each.resistance !== null);
  const most = Math.max(...rated.map((each) => each.resistance!), 1);
  return (
    <ul className="pt-2">
      {[...rated]
        .sort((a, b) => a.resistance! - b.resistance!)
        .map((each) => (
          <li key={each.id} className="grid grid-cols-[8rem_1fr_5rem] items-center gap-3 py-0.5">
            {each.name}
            <span
              aria-hidden
              className="h-2 bg-edge"
              style={{ width: `${(each.resistance! / most) * 100}%` }}
            />
            <span className="figures text-right text-lg">{formatMass(each.resistance!, unit)}</span>
          </li>
        ))}
      {grippers
        .filter((each) => each.resistance === null)
        .map((each) => (
          <li key={each.id} className="py-0.5">
            {each.name}
            <span className="text-ochre"> · not measured: the ladder leaves it out</span>
          </li>
        ))}
    </ul>
  );
}
