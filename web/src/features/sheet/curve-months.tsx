import type { SeasonMark } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { TimeChart } from '../../ui/charts/time-chart.tsx';
import { formatMass, inUnit, shortDay } from '../../ui/figures.ts';
import { Failed, Loading } from '../../ui/states.tsx';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { useCurveMonths } from '../../data/lifters/curves.ts';
import { Slider } from '../../ui/slider.tsx';

/** How the curve moved over half a year, with the hold blocks behind it and a scrubber through the days. */
export function CurveMonths({ marks }: { marks: readonly SeasonMark[] }): ReactElement {
  const { lifter } = useOpenSheet();
  const unit = useUnit();
  const months = useCurveMonths(lifter.id);
  const [at, setAt] = useState<number | null>(null);
  if (months.isPending) return <Loading what="how the curve moved" lines={4} />;
  if (!months.data) return <Failed error={months.error} retry={() => void months.refetch()} />;
  const { then } = months.data;
  if (then.length < 2)
    return <p className="mt-4 text-quiet">How the curve moves shows after a fortnight of logs.</p>;
  const place = at ?? then.length - 1;
  const [day, first] = [then[place]!, then[0]!];
  const mass = (kg: number): string => formatMass(Math.round(kg * 2) / 2, unit);
  const series = (name: string, of: 'tenSeconds' | 'thirtySeconds') => ({
    name,
    points: then.map((each) => ({
      on: each.on,
      value: inUnit(each[of].value, unit),
      low: inUnit(each[of].low, unit),
      high: inUnit(each[of].high, unit),
    })),
  });
  return (
    <section aria-label="How the curve moved" className="mt-6 min-w-0">
      <h3 className="border-t-2 border-ink pt-2 text-xl">How the curve moved</h3>
      <TimeChart
        name="curve over months"
        label="Loads held ten and thirty seconds double overhand as often as not, every fortnight, with their ranges."
        unit={unit}
        series={[series('10 s', 'tenSeconds'), series('30 s', 'thirtySeconds')]}
        bands={marks}
      />
      <Slider
        label="Day"
        min={0}
        max={then.length - 1}
        value={place}
        words={shortDay(day.on)}
        onChange={setAt}
      />
      <p role="status" className="figures text-lg">
        {shortDay(day.on)}: 10 s {mass(day.tenSeconds.value)} ({mass(day.tenSeconds.low)} to{' '}
        {mass(day.tenSeconds.high)}), 30 s {mass(day.thirtySeconds.value)}, from{' '}
        {day.curve.evidence.observations} holds and sets, {day.curve.evidence.slipped} slips.{' '}
        <span className="text-quiet">{moved(first, day)}</span>
      </p>
      <p className="text-sm text-quiet">Each day knows only what was logged by then. Shaded: hold blocks.</p>
    </section>
  );
}

interface Day {
  readonly on: string;
  readonly tenSeconds: { readonly value: number; readonly low: number; readonly high: number };
}

/** Whether the curve has moved since the first day by more than its doubt. */
function moved(first: Day, day: Day): string {
  if (first.on === day.on) return '';
  const apart = day.tenSeconds.low > first.tenSeconds.high || day.tenSeconds.high < first.tenSeconds.low;
  const by = (day.tenSeconds.value / first.tenSeconds.value - 1) * 100;
  return apart
    ? `${by >= 0 ? 'Up' : 'Down'} ${Math.abs(by).toFixed(0)} % since ${shortDay(first.on)}: more than the doubt of either.`
    : `No change since ${shortDay(first.on)} that stands out of the doubt.`;
}
