import { GRIP_NAMES, GRIPS, type Estimate, type Grip, type MassUnit } from '@iron-clasp/core';
import type { CurveDay, CurveView } from '@iron-clasp/contract';
import clsx from 'clsx';
import { ToggleGroup } from 'radix-ui';
import { useState, type ReactElement, type ReactNode } from 'react';
import { Link } from 'react-router';
import { useUnit } from '../../data/session/use-unit.ts';
import type { Asked } from '../../ui/charts/asked.ts';
import { ChartFrame } from '../../ui/charts/chart-frame.tsx';
import { ClaspChart } from '../../ui/charts/clasp-chart.tsx';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { load, shortDay, times } from '../../ui/figures.ts';
import { CURVE_PARTS, Parts } from '../../ui/parts.tsx';
import { Failed, Loading } from '../../ui/states.tsx';
import type { Table } from '../../ui/table-file.ts';
import { Ask } from './curve-ask.tsx';
import { CurveMonths } from './curve-months.tsx';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { useCurve } from '../../data/lifters/curves.ts';
import { Checkbox } from '../../ui/checkbox.tsx';

/** The lifter's clasp curve: how long the hands hold which load, and what stands behind that. */
export function Curve(): ReactElement {
  return (
    <>
      <Parts name="Curve" parts={CURVE_PARTS} />
      <LoadAgainstSeconds />
    </>
  );
}

function LoadAgainstSeconds(): ReactElement {
  const { lifter } = useOpenSheet();
  const curve = useCurve(lifter.id);
  if (curve.isPending) return <Loading what="the curve" lines={9} />;
  if (!curve.data) return <Failed error={curve.error} retry={() => void curve.refetch()} />;
  return <Drawn view={curve.data} />;
}

function Drawn({ view }: { view: CurveView }): ReactElement {
  const unit = useUnit();
  const [grip, setGrip] = useState<Grip>(() => view.demands[0]?.grip ?? 'doubleOverhand');
  const [plain, setPlain] = useState(false);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [day, setDay] = useState<CurveDay | null>(null);
  const shown = day ? { ...view, curve: day.curve } : view;
  const { season } = useOpenSheet();
  const { observations, slipped } = view.curve.evidence;
  return (
    <div className="grid gap-6 py-4">
      <section aria-label="Clasp curve" className="order-last min-w-0">
        <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
          <h2 className="text-2xl">Load against seconds{day && `, ${shortDay(day.on)}`}</h2>
          <Checkbox checked={plain} onChange={(checked) => setPlain(checked)}>
            plain seconds
          </Checkbox>
          <ToggleGroup.Root
            type="single"
            value={grip}
            onValueChange={(value) => value && setGrip(value as Grip)}
            aria-label="Grip"
            className="flex"
          >
            {GRIPS.map((each) => (
              <ToggleGroup.Item
                key={each}
                value={each}
                className={clsx(
                  '-ml-px flex items-center gap-2 border px-3 py-1.5',
                  grip === each ? 'z-[1] border-ink bg-ink text-ground' : 'border-edge bg-raised',
                )}
              >
                <GripMark choice={each} {...(each === 'mixed' && { sideUnder: 'left' as const })} size={18} />
                {GRIP_NAMES[each]}
              </ToggleGroup.Item>
            ))}
          </ToggleGroup.Root>
        </div>
        <ChartFrame
          name={`clasp curve ${GRIP_NAMES[grip]}`}
          label={`Load against seconds, ${GRIP_NAMES[grip]}: the drawn holds and sets, newest first.`}
          table={tableOf(view, grip, unit)}
        >
          <ClaspChart view={shown} grip={grip} unit={unit} plain={plain} asked={asked} onAsk={setAsked} />
        </ChartFrame>
        <Key />
        <Ask view={shown} grip={grip} asked={asked} onAsk={setAsked} />
        <CurveMonths
          marks={season.marks}
          attempts={view.demands.filter((each) => each.kind === 'attempt')}
          day={day}
          onDay={setDay}
        />
      </section>
      <section aria-label="Read-outs">
        <h2 className="sr-only">Read-outs</h2>
        <div className="grid grid-cols-2 gap-x-6 gap-y-3 md:grid-cols-3 xl:grid-cols-5">
          <ReadOut
            name="10 s load, overhand"
            figure={<Mass estimate={view.readOuts.tenSeconds} unit={unit} />}
          />
          <ReadOut
            name="30 s load, overhand"
            figure={<Mass estimate={view.readOuts.thirtySeconds} unit={unit} />}
          />
          {view.readOuts.worth.map(({ effect, estimate }) => (
            <ReadOut
              key={effect}
              name={WORTH_NAMES[effect]}
              figure={
                <Ranged value={times(estimate.value)} low={times(estimate.low)} high={times(estimate.high)} />
              }
              note={sourceWords(estimate.fromLog)}
            />
          ))}
        </div>
        <p className="mt-2 text-sm text-quiet">
          {observations === 0
            ? 'Nothing is logged yet. These are the trade’s working figures.'
            : `${observations} logged holds and bare-handed sets stand behind this, ${slipped} of them slips. Ranges hold the truth four times in five.`}
        </p>
      </section>
    </div>
  );
}

/** How much of a figure is this lifter’s own. */
function sourceWords(fromLog: number): string {
  if (fromLog < 0.1) return 'the working default: the log says little yet';
  return fromLog < 0.6 ? 'partly the log, partly the working default' : 'mostly from the log';
}

const WORTH_NAMES = { mixed: 'mixed is worth', hook: 'hook is worth', noChalk: 'no chalk costs' } as const;

function ReadOut({ name, figure, note }: { name: string; figure: ReactNode; note?: string }): ReactElement {
  return (
    <div className="border-t-2 border-ink pt-1">
      <p className="label">{name}</p>
      {figure}
      {note && <p className="text-sm text-quiet">{note}</p>}
    </div>
  );
}

function Mass({ estimate, unit }: { estimate: Estimate; unit: MassUnit }): ReactElement {
  const figure = (kg: number): string => load(Math.round(kg * 10) / 10, unit);
  return (
    <Ranged
      value={`${figure(estimate.value)} ${unit}`}
      low={figure(estimate.low)}
      high={figure(estimate.high)}
    />
  );
}

function Ranged({ value, low, high }: { value: string; low: string; high: string }): ReactElement {
  return (
    <p className="figures text-2xl font-semibold">
      {value}{' '}
      <span className="block text-lg font-medium text-quiet">
        {low} to {high}
      </span>
    </p>
  );
}

function Key(): ReactElement {
  return (
    <p className="mt-2 flex flex-wrap gap-x-6 gap-y-1 text-sm text-quiet">
      <span>
        <b className="text-oxblood">×</b> slipped
      </span>
      <span>
        <b className="text-ink">○‒</b> a set put down on purpose: at least this long
      </span>
      <span>
        <b className="text-ink">●‒</b> a hold put down on purpose
      </span>
      <span>
        <b className="text-verdigris">━</b> held as often as not; the band from nine times in ten to once in
        ten
      </span>
      <span>
        <b className="text-forge">◆</b> asked by the next session <b className="text-ink">◆</b> attempts of
        the meet
      </span>
      <Link to="/practice/curve" className="underline underline-offset-4">
        What the curve is, and what it cannot know
      </Link>
    </p>
  );
}

/** The drawing's figures, newest first, for whoever reads rather than looks. */
function tableOf(view: CurveView, grip: Grip, unit: MassUnit): Table {
  return {
    head: ['days ago', `load (${unit})`, 'seconds', 'ended', 'from'],
    rows: view.points
      .filter((point) => point.grip === grip)
      .map((point) => [
        point.ageDays,
        load(Math.round(point.load * 10) / 10, unit),
        point.seconds.toFixed(1),
        point.ended === 'slipped' ? 'slipped' : 'put down',
        point.source,
      ]),
  };
}
