import { GRIP_NAMES, holdProbability, type Estimate } from '@iron-clasp/core';
import type { CurveDay, CurveView, SeasonMark } from '@iron-clasp/contract';
import type { ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { useCurveMonths } from '../../data/lifters/curves.ts';
import { Button } from '../../ui/button.tsx';
import { TimeChart } from '../../ui/charts/time-chart.tsx';
import { inUnit, percent, roughMass, share, shortDay } from '../../ui/figures.ts';
import { Slider } from '../../ui/slider.tsx';
import { Failed, Loading } from '../../ui/states.tsx';

interface MonthsProps {
  readonly marks: readonly SeasonMark[];
  readonly attempts: CurveView['demands'];
  /** The day whose curve is shown and asked; null for today. */
  readonly day: CurveDay | null;
  readonly onDay: (day: CurveDay | null) => void;
}

/** How the hands moved over half a year and how they are expected to go on, with a scrubber through the days. */
export function CurveMonths({ marks, attempts, day, onDay }: MonthsProps): ReactElement {
  const { lifter } = useOpenSheet();
  const unit = useUnit();
  const months = useCurveMonths(lifter.id);
  if (months.isPending) return <Loading what="how the curve moved" lines={4} />;
  if (!months.data) return <Failed error={months.error} retry={() => void months.refetch()} />;
  const { then, today, meet, weekly, tests, layoffs } = months.data;
  const now = then.findIndex((each) => each.on === today);
  if (now < 2) return <p className="mt-4 text-quiet">How the hands moved shows after a fortnight of logs.</p>;
  const place = day ? then.findIndex((each) => each.on === day.on) : now;
  const at = then[place] ?? then[now]!;
  const [from, to] = [then[0]!.on, then.at(-1)!.on];
  const shown = marks.filter((mark) => mark.to >= from && mark.from <= to);
  const blocks = shown.filter((mark) => mark.kind === 'holdBlock');
  const mass = (kg: number): string => roughMass(kg, unit);
  const series = (name: string, of: 'tenSeconds' | 'thirtySeconds') => ({
    name,
    points: then.map((each) => ({
      on: each.on,
      value: inUnit(each[of].value, unit),
      low: inUnit(each[of].low, unit),
      high: inUnit(each[of].high, unit),
    })),
  });
  const ahead = at.on > today;
  return (
    <section aria-label="How the hands moved" className="mt-6 min-w-0">
      <div className="flex flex-wrap items-baseline justify-between gap-3 border-t-2 border-ink pt-2">
        <h3 className="text-xl">How the hands moved</h3>
        {weekly && <p className="figures text-quiet">{gainWords(weekly)}</p>}
      </div>
      <TimeChart
        name="curve over months"
        label="Loads held ten and thirty seconds double overhand as often as not, every week, with their ranges, and where they are expected to go."
        unit={unit}
        series={[series('10 s', 'tenSeconds'), series('30 s', 'thirtySeconds')]}
        bands={blocks}
        beneath={[
          { name: 'blocks', spans: blocks.map((mark) => spanOf(mark, mark.label)) },
          {
            name: 'tests',
            spans: [
              ...tests.map((on) => spanOf({ from: on, to: on }, 'squeeze test')),
              ...shown.filter((mark) => mark.kind === 'test').map((mark) => spanOf(mark, mark.label)),
            ],
          },
          { name: 'layoffs', spans: layoffs.map((each) => spanOf(each, 'no bare hold or set')) },
        ]}
        days={[{ on: today, label: 'today' }, ...(meet ? [{ on: meet.on, label: meet.name }] : [])]}
        marked={false}
      />
      <Slider
        label="Day"
        min={0}
        max={then.length - 1}
        value={place}
        words={shortDay(at.on)}
        onChange={(value) => onDay(value === now ? null : then[value]!)}
      />
      <p role="status" className="figures text-lg">
        {shortDay(at.on)}
        {ahead && ', expected'}: 10 s {mass(at.tenSeconds.value)} ({mass(at.tenSeconds.low)} to{' '}
        {mass(at.tenSeconds.high)}), 30 s {mass(at.thirtySeconds.value)}, from {at.behind} holds and sets.{' '}
        <span className="text-quiet">{at.sinceFirst && changeWords(at.sinceFirst, then[0]!.on)}</span>
        {day && (
          <Button look="quiet" className="text-base" onClick={() => onDay(null)}>
            Back to today
          </Button>
        )}
      </p>
      {ahead && attempts.length > 0 && (
        <ul aria-label="Attempts on that day" className="figures mt-1 grid gap-0.5">
          {attempts.map(({ label, load, seconds, grip }) => (
            <li key={label}>
              {label}, {GRIP_NAMES[grip]}: {percent(holdProbability(at.curve, { load, seconds, grip }))}
            </li>
          ))}
        </ul>
      )}
      <p className="text-sm text-quiet">
        What was logged later tells too where the hands stood before. A day to come is reckoned by the steady
        gain for at most eight weeks. Shaded: hold blocks; a layoff is two weeks and more without a bare hold
        or set. The drawing above and its questions follow the day chosen here.
      </p>
    </section>
  );
}

const spanOf = (
  { from, to }: { from: string; to: string },
  words: string,
): { from: string; to: string; words: string } => ({
  ...{ from, to },
  words: `${words}, ${from === to ? shortDay(from) : `${shortDay(from)} to ${shortDay(to)}`}`,
});

/** The steady gain, or that none can be told. */
function gainWords({ value, low, high }: Estimate): string {
  if (low < 0 && high > 0)
    return `No steady gain or loss can be told (${share(low, 1)} to ${share(high, 1)} a week)`;
  return `${value > 0 ? 'Gains' : 'Loses'} ${share(Math.abs(value), 1)} of load a week (${share(low, 1)} to ${share(high, 1)})`;
}

/** Whether the hands hold more or less than on the first day by more than the doubt about the change. */
function changeWords({ value, low, high }: Estimate, since: string): string {
  const by = (value - 1) * 100;
  return low > 1 || high < 1
    ? `${by >= 0 ? 'Up' : 'Down'} ${Math.abs(by).toFixed(0)} % since ${shortDay(since)}: more than the doubt about the change.`
    : `No change since ${shortDay(since)} that stands out of its doubt.`;
}
