import {
  findLift,
  GRIP_NAMES,
  gripCeilings,
  type CeilingsAtReps,
  type HoldCurve,
  type MassUnit,
  type SetRole,
  SET_ROLE_TAGS,
} from '@iron-clasp/core';
import type { CalledSet, CallsView, LifterView } from '@iron-clasp/contract';
import { useMemo, useState, type ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { ChartFrame } from '../../ui/charts/chart-frame.tsx';
import { RampChart } from '../../ui/charts/ramp-chart.tsx';
import { Choices } from '../../ui/choices.tsx';
import { load, percent } from '../../ui/figures.ts';
import { CURVE_PARTS, Parts } from '../../ui/parts.tsx';
import { Empty, Failed, Loading } from '../../ui/states.tsx';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { useCalls } from '../../data/training/calls.ts';
import { useCurve } from '../../data/lifters/curves.ts';
import { DataTable } from '../../ui/data-table.tsx';

const ROLES: readonly SetRole[] = ['volume', 'top', 'attempt'];
const MOST_REPS = 12;

/** For each lift of the next session: up to which load each grip holds, by repetitions, and where the planned sets lie. */
export function Ramp(): ReactElement {
  return (
    <>
      <Parts name="Curve" parts={CURVE_PARTS} />
      <NextSession />
    </>
  );
}

function NextSession(): ReactElement {
  const { lifter, nextSessionId } = useOpenSheet();
  const calls = useCalls(nextSessionId);
  const curve = useCurve(lifter.id);
  if (!nextSessionId)
    return (
      <Empty title="No session planned">
        <p>Once a session is written, its lifts stand here with the ceiling of each grip.</p>
      </Empty>
    );
  if (calls.isPending || curve.isPending) return <Loading what="the ramp" lines={8} />;
  const error = calls.error ?? curve.error;
  if (!calls.data || !curve.data)
    return <Failed error={error} retry={() => void Promise.all([calls.refetch(), curve.refetch()])} />;
  return <Lifts view={calls.data} curve={curve.data.curve} lifter={lifter} />;
}

function Lifts({
  view,
  curve,
  lifter,
}: {
  view: CallsView;
  curve: HoldCurve;
  lifter: LifterView;
}): ReactElement {
  const unit = useUnit();
  const lifts = useMemo(() => {
    const found = new Map<string, CalledSet[]>();
    for (const set of view.sets) {
      const lift = findLift(set.liftId);
      if (!lift?.grips || lift.timed) continue;
      found.set(set.liftId, [...(found.get(set.liftId) ?? []), set]);
    }
    return found;
  }, [view.sets]);
  const ids = [...lifts.keys()];
  const [chosen, setChosen] = useState(ids[0] ?? '');
  const [role, setRole] = useState<SetRole>('top');
  const liftId = lifts.has(chosen) ? chosen : (ids[0] ?? '');
  const lift = findLift(liftId || 'squat')!;
  const probability = lifter.thresholds[role];
  const { chalk } = view.session.venue;
  const { diameter } = view.session.bar;
  const ceilings = useMemo(
    () =>
      gripCeilings(curve, {
        lift: lift.id,
        reps: Array.from({ length: MOST_REPS }, (_, i) => i + 1),
        probability,
        chalk,
        diameter: lift.diameter ?? diameter,
      }),
    [curve, lift, probability, chalk, diameter],
  );
  if (!liftId)
    return (
      <Empty title="Nothing hangs from the hands">
        <p>The next session has no lift with a grip to call.</p>
      </Empty>
    );
  const sets = lifts.get(liftId)!;
  return (
    <section aria-label="Ramp and volume" className="grid grid-cols-[minmax(0,1fr)] gap-4 py-4">
      <div className="flex flex-wrap gap-x-8 gap-y-3">
        <Choices
          legend="Lift"
          value={liftId}
          options={ids.map((id) => [id, findLift(id)!.name] as const)}
          onChange={setChosen}
        />
        <Choices
          legend="Chance asked"
          value={role}
          options={ROLES.map(
            (each) => [each, `${SET_ROLE_TAGS[each]}, ${percent(lifter.thresholds[each])}`] as const,
          )}
          onChange={setRole}
        />
      </div>
      <ChartFrame
        name={`ramp ${lift.name}`}
        label={`${lift.name}: ceiling of each grip by repetitions.`}
        table={{
          head: [
            'repetitions',
            ...(ceilings[0]?.ceilings.map(({ grip }) => `${GRIP_NAMES[grip]} (${unit})`) ?? []),
          ],
          rows: ceilings.map(({ reps, ceilings: each }) => [
            reps,
            ...each.map(({ value }) => load(Math.round(value * 2) / 2, unit)),
          ]),
        }}
      >
        <RampChart ceilings={ceilings} sets={sets} liftName={lift.name} unit={unit} />
      </ChartFrame>
      <p className="text-sm text-quiet">
        Below a line the grip holds the set with {percent(probability)} at least, reset between repetitions
        where the lift allows it, at {view.session.venue.name}. Filled marks are planned bare-handed, open
        ones in straps; {view.evidence.observations} logged holds and sets stand behind the lines.
      </p>
      <Table ceilings={ceilings} sets={sets} unit={unit} />
    </section>
  );
}

function Table({
  ceilings,
  sets,
  unit,
}: {
  ceilings: readonly CeilingsAtReps[];
  sets: readonly CalledSet[];
  unit: MassUnit;
}): ReactElement {
  const figure = (kg: number): string => (kg > 0 ? load(Math.round(kg * 2) / 2, unit) : 'none');
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Ceilings as a table">
      <DataTable
        name={`Heaviest load of each grip by repetitions, in ${unit}, with its range, and the planned sets`}
        className="w-full max-w-3xl border-collapse"
        rows={ceilings}
        columns={[
          { id: 'reps', head: 'repetitions', cell: ({ reps }) => reps, by: ({ reps }) => reps },
          ...(ceilings[0]?.ceilings ?? []).map(({ grip }, i) => ({
            id: grip,
            head: `${GRIP_NAMES[grip]}, ${unit}`,
            cell: ({ ceilings: each }: CeilingsAtReps) => (
              <>
                {figure(each[i]!.value)}{' '}
                <span className="text-sm text-quiet">
                  {figure(each[i]!.low)}–{figure(each[i]!.high)}
                </span>
              </>
            ),
            by: ({ ceilings: each }: CeilingsAtReps) => each[i]!.value,
          })),
          {
            id: 'planned',
            head: 'planned',
            cell: ({ reps }) =>
              [
                ...new Set(
                  sets
                    .filter((set) => set.reps === reps)
                    .map((set) => `${SET_ROLE_TAGS[set.role]} ${load(set.loading.total, unit)}`),
                ),
              ].join(', '),
          },
        ]}
      />
    </div>
  );
}
