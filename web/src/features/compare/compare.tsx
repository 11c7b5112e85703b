import { GRIP_NAMES, IMBALANCE_FLAG, SIDES, type Estimate, type GripChoice } from '@iron-clasp/core';
import type { CompareView } from '@iron-clasp/contract';
import { Minus, TrendingDown, TrendingUp } from 'lucide-react';
import type { ReactElement, ReactNode } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { TimeChart } from '../../ui/charts/time-chart.tsx';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { formatMass, inUnit, roughMass, share } from '../../ui/figures.ts';
import { CURVE_PARTS, Parts } from '../../ui/parts.tsx';
import { DataTable } from '../../ui/data-table.tsx';
import { Caution, Failed, Loading } from '../../ui/states.tsx';
import { SaveTable } from '../../ui/save-table.tsx';
import type { Table } from '../../ui/table-file.ts';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { useCompare } from '../../data/lifters/curves.ts';

/** A lifter against their own history: weeks, sides, grips, and what foretells what. */
export function Compare(): ReactElement {
  return (
    <>
      <Parts name="Curve" parts={CURVE_PARTS} />
      <Comparisons />
    </>
  );
}

function Comparisons(): ReactElement {
  const { lifter } = useOpenSheet();
  const compare = useCompare(lifter.id);
  if (compare.isPending) return <Loading what="the comparisons" lines={9} />;
  if (!compare.data) return <Failed error={compare.error} retry={() => void compare.refetch()} />;
  const view = compare.data;
  return (
    <div className="grid gap-x-10 gap-y-8 py-4 xl:grid-cols-2">
      <div className="grid min-w-0 content-start gap-8">
        <SameLoads view={view} />
        <Sides view={view} />
      </div>
      <div className="grid min-w-0 content-start gap-8">
        <TopAndBackOff view={view} />
        <Grips view={view} />
        <SqueezeAndHold view={view} />
      </div>
    </div>
  );
}

interface PartProps {
  readonly title: string;
  readonly about: string;
  readonly table?: Table;
  readonly children: ReactNode;
}

function Part({ title, about, table, children }: PartProps): ReactElement {
  return (
    <section aria-label={title} className="min-w-0">
      <h2 className="flex items-baseline justify-between gap-3 border-b-2 border-ink pb-1 text-xl">
        {title}
        {table && <SaveTable name={title.toLowerCase()} table={table} />}
      </h2>
      <p className="py-1 text-sm text-quiet">{about}</p>
      {children}
    </section>
  );
}

const VERDICTS = {
  better: { Icon: TrendingUp, words: 'better', tone: 'text-verdigris' },
  worse: { Icon: TrendingDown, words: 'worse', tone: 'text-oxblood' },
  same: { Icon: Minus, words: 'the same', tone: 'text-quiet' },
} as const;

function SameLoads({ view }: { view: CompareView }): ReactElement {
  const unit = useUnit();
  const gripOf = (row: CompareView['sameLoad'][number]): string =>
    row.strapped ? 'straps' : GRIP_NAMES[row.grip];
  return (
    <Part
      title="This week against the last"
      about="The level of the hands now and a week ago, then each load against the last week in which it was done in the same grip."
      table={{
        head: ['lift', 'load (kg)', 'grip', 'verdict', 'why'],
        rows: view.sameLoad.map((row) => [row.liftName, row.load, gripOf(row), row.verdict, row.why]),
      }}
    >
      {view.week && <p className="py-1">{weekWords(view.week)}</p>}
      {view.sameLoad.length === 0 ? (
        <p className="text-quiet">No load of this week was done in the eight weeks before it.</p>
      ) : (
        <ul>
          {view.sameLoad.map((row) => {
            const { Icon, words, tone } = VERDICTS[row.verdict];
            return (
              <li
                key={`${row.lift} ${row.load} ${row.grip} ${row.strapped}`}
                className="grid grid-cols-[1fr_auto] gap-x-3 border-b border-rule py-1.5"
              >
                <span>
                  <b>{row.liftName}</b> <span className="figures text-lg">{formatMass(row.load, unit)}</span>{' '}
                  <span className="text-quiet">{gripOf(row)}</span>
                  <span className="block text-sm text-quiet">{row.why}</span>
                </span>
                <span className={`flex items-center gap-1 font-semibold ${tone}`}>
                  <Icon size={18} aria-hidden /> {words}
                </span>
              </li>
            );
          })}
        </ul>
      )}
    </Part>
  );
}

/** Whether the hands hold more or less than a week ago, by more than the doubt about the change. */
function weekWords({ ratio, chanceOfGain }: NonNullable<CompareView['week']>): string {
  const change = (each: number): string => share(each - 1, 1);
  const range = `${change(ratio.low)} to ${change(ratio.high)}`;
  if (ratio.low > 1) return `The hands hold ${change(ratio.value)} more than a week ago (${range}).`;
  if (ratio.high < 1)
    return `The hands hold ${change(ratio.value).replace('−', '')} less than a week ago (${range}).`;
  return `The hands hold the same as a week ago as far as can be told (${range}; ${Math.round(100 * chanceOfGain)} in 100 that it is more).`;
}

const ranged = ({ value, low, high }: Estimate): string =>
  `${Math.round(value * 100)} % (${Math.round(low * 100)} to ${Math.round(high * 100)})`;
const choiceWords = (choice: GripChoice): string => (choice === 'straps' ? 'straps' : GRIP_NAMES[choice]);

function TopAndBackOff({ view }: { view: CompareView }): ReactElement {
  return (
    <Part
      title="Top set against back-off"
      about="How well back-off work in each grip foretold the top set of the same session."
      table={{
        head: ['top grip', 'back-off grip', 'sessions', 'clean back-offs', 'top slipped all the same'],
        rows: view.backOff.map((each) => [
          choiceWords(each.topGrip),
          choiceWords(each.backOffGrip),
          each.sessions,
          each.cleanSessions,
          each.slippedAfterClean ? ranged(each.slippedAfterClean) : null,
        ]),
      }}
    >
      {view.backOff.length === 0 ? (
        <p className="text-quiet">No session in half a year had both top sets and back-offs.</p>
      ) : (
        <ul>
          {view.backOff.map((each) => (
            <li key={`${each.topGrip} ${each.backOffGrip}`} className="border-b border-rule py-2">
              <p className="flex flex-wrap items-center gap-x-3">
                <GripMark
                  choice={each.topGrip}
                  {...(each.topGrip === 'mixed' && { sideUnder: 'left' as const })}
                  size={24}
                />
                <b>{choiceWords(each.topGrip)}</b>
                <span className="text-quiet">top,</span>
                <GripMark
                  choice={each.backOffGrip}
                  {...(each.backOffGrip === 'mixed' && { sideUnder: 'left' as const })}
                  size={24}
                />
                <b>{choiceWords(each.backOffGrip)}</b>
                <span className="text-quiet">back-off, {each.sessions} sessions</span>
                {each.slippedAfterClean && (
                  <span className="figures ml-auto text-lg">slipped {ranged(each.slippedAfterClean)}</span>
                )}
              </p>
              {each.trap ? (
                <Caution>{each.words}</Caution>
              ) : (
                <p className="text-sm text-quiet">{each.words}</p>
              )}
            </li>
          ))}
        </ul>
      )}
    </Part>
  );
}

function Sides({ view }: { view: CompareView }): ReactElement {
  const unit = useUnit();
  const { squeeze, asymmetry, gripper, ledger, nextUnder, worstPain } = view.sides;
  const total = ledger.left.loadSeconds + ledger.right.loadSeconds;
  const rows: [string, string, string][] = [
    ...(gripper
      ? [
          [
            'gripper closed half the time',
            ...SIDES.map(
              (side) =>
                `${roughMass(gripper[side].value, unit)} (${roughMass(gripper[side].low, unit)} to ${roughMass(gripper[side].high, unit)})`,
            ),
          ] as [string, string, string],
        ]
      : []),
    [
      'mixed grip, this hand under',
      ...SIDES.map((side) =>
        total === 0
          ? 'none'
          : `${Math.round((100 * ledger[side].loadSeconds) / total)} % of the load-seconds, ${ledger[side].sets} sets`,
      ),
    ] as [string, string, string],
    ['worst pain in eight weeks', ...SIDES.map((side) => `${worstPain[side]} of 10`)] as [
      string,
      string,
      string,
    ],
  ];
  return (
    <Part title="Left against right" about="The two hands, as far as each was measured by itself.">
      {squeeze.length > 1 && (
        <TimeChart
          name="squeeze left and right"
          label="Best squeeze of each hand by test, kgf."
          unit="kgf"
          height={190}
          series={SIDES.map((side) => ({
            name: side,
            points: squeeze.flatMap((test) =>
              test[side] === null ? [] : [{ on: test.on, value: test[side] }],
            ),
          }))}
        />
      )}
      {asymmetry && (
        <p className="py-1">
          {asymmetry.clear
            ? `The ${asymmetry.stronger} hand squeezes ${asymmetry.value.toFixed(1)} % harder (${Math.max(0, asymmetry.low).toFixed(1)} to ${asymmetry.high.toFixed(1)}).`
            : 'No clear difference between the hands in the latest squeeze test.'}
        </p>
      )}
      <DataTable
        name="Left hand and right"
        words
        rows={rows}
        columns={[
          {
            id: 'what',
            head: <span className="sr-only">what</span>,
            cell: ([name]) => <span className="font-normal">{name}</span>,
          },
          { id: 'left', head: 'left', cell: ([, left]) => left },
          { id: 'right', head: 'right', cell: ([, , right]) => right },
        ]}
      />
      {ledger.imbalance >= IMBALANCE_FLAG && (
        <Caution>Mixed grip leans to one side: the {nextUnder} hand goes under next.</Caution>
      )}
    </Part>
  );
}

function Grips({ view }: { view: CompareView }): ReactElement {
  const unit = useUnit();
  const mass = (load: number | null): string => (load === null ? 'none' : formatMass(load, unit));
  return (
    <Part
      title="Where each grip slips"
      about="Bare-handed deadlifts of half a year. One slip at a light load may be one bad set."
      table={{
        head: ['grip', 'sets', 'slips', `lightest slip (kg)`, `heaviest held (kg)`],
        rows: view.grips.map((each) => [
          GRIP_NAMES[each.grip],
          each.sets,
          each.slips,
          each.lightestSlip,
          each.heaviestHeld,
        ]),
      }}
    >
      <DataTable
        name="Where each grip slips"
        rows={view.grips}
        columns={[
          {
            id: 'grip',
            head: 'grip',
            cell: (each) => GRIP_NAMES[each.grip],
            by: (each) => GRIP_NAMES[each.grip],
          },
          { id: 'sets', head: 'sets', cell: (each) => each.sets, by: (each) => each.sets },
          { id: 'slips', head: 'slips', cell: (each) => each.slips, by: (each) => each.slips },
          {
            id: 'slip',
            head: 'lightest slip',
            cell: (each) => mass(each.lightestSlip),
            by: (each) => each.lightestSlip,
          },
          {
            id: 'held',
            head: 'heaviest held',
            cell: (each) => mass(each.heaviestHeld),
            by: (each) => each.heaviestHeld,
          },
        ]}
      />
    </Part>
  );
}

function SqueezeAndHold({ view }: { view: CompareView }): ReactElement {
  const unit = useUnit();
  const { correlation, words, points, tests } = view.squeezeAgainstHold;
  return (
    <Part
      title="Squeeze against holding"
      about="Whether this lifter’s squeeze score moves, from test to test, with the load that the hands hold for ten seconds."
    >
      <p>
        {words}{' '}
        {correlation && (
          <span className="figures text-lg">
            r {correlation.value.toFixed(2)} ({correlation.low.toFixed(2)} to {correlation.high.toFixed(2)}),{' '}
            {tests} tests
          </span>
        )}
      </p>
      {points.length > 1 && (
        <div className="mt-2 grid gap-4 sm:grid-cols-2 xl:grid-cols-1">
          <TimeChart
            name="squeeze both hands"
            label="Best squeeze of both hands added, by test, kgf."
            unit="kgf"
            height={160}
            series={[
              { name: 'squeeze', points: points.map((each) => ({ on: each.on, value: each.squeeze })) },
            ]}
          />
          <TimeChart
            name="ten second load"
            label="Load held ten seconds as often as not on the days of the tests."
            unit={unit}
            height={160}
            series={[
              {
                name: '10 s load',
                points: points.map((each) => ({
                  on: each.on,
                  value: inUnit(each.tenSeconds.value, unit),
                  low: inUnit(each.tenSeconds.low, unit),
                  high: inUnit(each.tenSeconds.high, unit),
                })),
              },
            ]}
          />
        </div>
      )}
    </Part>
  );
}
