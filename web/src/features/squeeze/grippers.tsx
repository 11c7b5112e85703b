import {
  SIDES,
  START_DEPTHS,
  type GripperWork,
  type Side,
  type StartDepth,
  START_DEPTH_NAMES,
} from '@iron-clasp/core';
import { GripperAttemptRequest, type GrippersView } from '@iron-clasp/contract';
import { useRef, useState, type ReactElement } from 'react';
import { Controller } from 'react-hook-form';
import { Link } from 'react-router';
import { useUnit } from '../../data/session/use-unit.ts';
import { TimeChart } from '../../ui/charts/time-chart.tsx';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { inUnit, percent, roughMass, shortDay, typedNumber } from '../../ui/figures.ts';
import { Select } from '../../ui/select.tsx';
import { Caution, Empty, Failed, Loading } from '../../ui/states.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { SaveTable } from '../../ui/save-table.tsx';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { Parts, SQUEEZE_PARTS } from '../../ui/parts.tsx';
import { momentOn } from '../../data/clock.ts';
import { useToday } from '../../data/session/use-today.ts';
import { DateField } from '../../ui/date-field.tsx';
import { useGrippers, useKeepAttempt, useUndoAttempt } from '../../data/grippers/grippers.ts';
import { DataTable } from '../../ui/data-table.tsx';

/** The club's grippers for this lifter: chances of closing each, the next session of each hand, and what was tried. */
export function Grippers(): ReactElement {
  const { lifter } = useOpenSheet();
  const grippers = useGrippers(lifter.id);
  return (
    <>
      <Parts name="Squeeze" parts={SQUEEZE_PARTS} />
      {grippers.isPending ? (
        <Loading what="the grippers" lines={8} />
      ) : grippers.data ? (
        <Drawn view={grippers.data} lifterId={lifter.id} />
      ) : (
        <Failed error={grippers.error} retry={() => void grippers.refetch()} />
      )}
    </>
  );
}

function Drawn({ view, lifterId }: { view: GrippersView; lifterId: string }): ReactElement {
  const unit = useUnit();
  if (view.ladder.length === 0)
    return (
      <Empty title="No gripper in the club yet">
        Add those you have, with their measured resistance, to a venue in the{' '}
        <Link to="/kit" className="underline underline-offset-4">
          kit
        </Link>
        .
      </Empty>
    );
  const { attempts, unrated, settled } = view.evidence;
  return (
    <div className="grid gap-x-10 gap-y-6 py-4 xl:grid-cols-[minmax(0,1fr)_26rem]">
      <div className="grid min-w-0 content-start gap-6">
        <section aria-label="Next session">
          <h2 className="text-2xl">Next session</h2>
          <div className="grid gap-6 sm:grid-cols-2">
            {SIDES.map((side) => (
              <Plan key={side} view={view} side={side} />
            ))}
          </div>
          <p className="mt-1 text-sm text-quiet">
            {attempts} {attempts === 1 ? 'attempt stands' : 'attempts stand'} behind this
            {unrated > 0 && `, ${unrated} more on grippers without a rating are only counted`}
            {!settled && '; too few or too alike to be sure: ranges are wide'}.
          </p>
        </section>
        <Ladder view={view} />
        {view.progress.length > 1 && (
          <section aria-label="Progress">
            <h2 className="mb-2 text-2xl">Closed as often as not</h2>
            <TimeChart
              name="grippers"
              label="Resistance that each hand closes as often as not, over the months."
              unit={unit}
              series={SIDES.map((side) => ({
                name: side,
                points: view.progress.map((each) => ({
                  on: each.on,
                  value: inUnit(each[side].value, unit),
                  low: inUnit(each[side].low, unit),
                  high: inUnit(each[side].high, unit),
                })),
              }))}
            />
          </section>
        )}
      </div>
      <div className="grid content-start gap-6">
        <Attempt view={view} lifterId={lifterId} />
        <Attempts view={view} lifterId={lifterId} />
      </div>
    </div>
  );
}

const WORK = [
  ['working', 'working sets'],
  ['timedCloses', 'timed closes'],
  ['goal', 'goal attempts'],
  ['negatives', 'negatives'],
] as const;

function Plan({ view, side }: { view: GrippersView; side: Side }): ReactElement {
  const unit = useUnit();
  const plan = view.plans[side];
  return (
    <div className="border-t-2 border-ink pt-1">
      <h3 className="text-xl capitalize">{side}</h3>
      <p className="figures text-lg">
        half the time {roughMass(plan.halfChance.value, unit)}{' '}
        <span className="text-quiet">
          {inUnit(plan.halfChance.low, unit).toFixed(0)} to {inUnit(plan.halfChance.high, unit).toFixed(0)}
        </span>
      </p>
      {plan.barred ? (
        <Caution stop>{plan.barred.text}</Caution>
      ) : (
        <ul>
          {WORK.map(([key, words]) => {
            const work = plan[key];
            return work ? <Work key={key} work={work} words={words} /> : null;
          })}
          <li className="border-b border-rule py-1.5">
            <b>opening after</b> band, {plan.opening.sets} × {plan.opening.reps}
          </li>
        </ul>
      )}
      {plan.why.map((why) => (
        <p key={why.text} className="text-sm text-quiet">
          {why.text}
        </p>
      ))}
    </div>
  );
}

function Work({ work, words }: { work: GripperWork; words: string }): ReactElement {
  return (
    <li className="border-b border-rule py-1.5">
      <b>{words}</b> {work.gripper.name}, {work.sets} × {work.reps}
      {work.seconds !== undefined && ` of ${work.seconds} s`}{' '}
      <span className="figures text-quiet">{percent(work.probability)}</span>
      <span className="block text-sm text-quiet">{work.reason.text}</span>
    </li>
  );
}

/** The rungs, each as long as its chance. */
function Ladder({ view }: { view: GrippersView }): ReactElement {
  const unit = useUnit();
  return (
    <section aria-label="The ladder" className="overflow-x-auto" tabIndex={0}>
      <h2 className="text-2xl">The ladder</h2>
      <DataTable
        name="Grippers by resistance, with the chance that each hand closes them"
        className="mt-1 w-full"
        rows={view.ladder}
        columns={[
          { id: 'gripper', head: 'gripper', cell: ({ name }) => name },
          {
            id: 'resistance',
            head: unit,
            className: 'text-right',
            cell: ({ resistance }) =>
              resistance === null ? (
                <Link to="/kit" className="text-sm whitespace-nowrap underline underline-offset-4">
                  measure it
                </Link>
              ) : (
                inUnit(resistance, unit).toFixed(0)
              ),
          },
          ...SIDES.map((side) => ({
            id: side,
            head: `closed ${side}`,
            className: 'pl-4 whitespace-nowrap',
            cell: ({ chance }: GrippersView['ladder'][number]) => <Chance chance={chance[side]} />,
          })),
        ]}
      />
    </section>
  );
}

/** The chance that a hand closes a gripper, as a bar and in words; null where the gripper was never rated. */
function Chance({ chance }: { chance: GrippersView['ladder'][number]['chance']['left'] }): ReactElement {
  if (chance === null) return <span className="text-quiet">no rating</span>;
  return (
    <span className="grid grid-cols-[4rem_1fr] items-center gap-2">
      <span className="relative block h-3 bg-rule/60" aria-hidden>
        <span
          className="absolute inset-y-0 bg-verdigris/30"
          style={{ left: `${chance.low * 100}%`, right: `${100 - chance.high * 100}%` }}
        />
        <span className="absolute inset-y-0 w-[3px] bg-verdigris" style={{ left: `${chance.value * 97}%` }} />
      </span>
      <span>
        {percent(chance.value)}{' '}
        <span className="text-sm text-quiet">
          {Math.round(chance.low * 100)} to {Math.round(chance.high * 100)}
        </span>
      </span>
    </span>
  );
}

function Attempt({ view, lifterId }: { view: GrippersView; lifterId: string }): ReactElement {
  const keep = useKeepAttempt(lifterId);
  const today = useToday();
  const id = useRef(crypto.randomUUID());
  const { form, field, onSubmit, failed, sending } = useRequestForm({
    request: GripperAttemptRequest,
    start: {
      gripperId: view.plans.right.working?.gripper.id ?? view.ladder[0]!.id,
      hand: 'right' as Side,
      depth: 'open' as StartDepth,
      // Which of the two buttons was pressed.
      closed: true,
      gap: '',
      seconds: '',
      // Empty for today.
      day: '',
    },
    bodyOf: ({ gripperId, hand, depth, closed, gap, seconds, day }): GripperAttemptRequest => ({
      ...{ gripperId, hand, depth, closed, doneAt: momentOn(day, today) },
      ...(!closed && gap.trim() && { gapMm: typedNumber(gap) }),
      ...(seconds.trim() && { seconds: typedNumber(seconds) }),
    }),
    send: (body) => keep.mutateAsync({ id: id.current, body }),
    onSaved: () => {
      id.current = crypto.randomUUID();
      form.reset({ ...form.getValues(), gap: '', seconds: '' });
    },
  });
  return (
    <section aria-label="Log an attempt">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Log an attempt</h2>
      <form className="mt-2 grid gap-3" noValidate onSubmit={onSubmit}>
        <Controller
          control={form.control}
          name="gripperId"
          render={({ field: { value, onChange } }) => (
            <Select
              label="Gripper"
              value={value}
              onChange={onChange}
              options={view.ladder.map(
                (rung) =>
                  [rung.id, `${rung.name}${rung.resistance === null ? ', not measured' : ''}`] as const,
              )}
            />
          )}
        />
        <Controller
          control={form.control}
          name="hand"
          render={({ field: { value, onChange } }) => (
            <Choices
              legend="Hand"
              value={value}
              onChange={onChange}
              options={SIDES.map((side) => [side, side] as const)}
            />
          )}
        />
        <Controller
          control={form.control}
          name="depth"
          render={({ field: { value, onChange } }) => (
            <Choices
              legend="Start"
              value={value}
              onChange={onChange}
              options={START_DEPTHS.map((each) => [each, START_DEPTH_NAMES[each]] as const)}
            />
          )}
        />
        <div className="grid grid-cols-2 gap-3">
          <Field label="Gap left, if not closed" unit="mm" inputMode="decimal" {...field('gap', 'gapMm')} />
          <Field label="Held closed" unit="s" inputMode="decimal" {...field('seconds')} />
        </div>
        <Controller
          control={form.control}
          name="day"
          render={({ field: { value, onChange } }) => (
            <DateField label="Day, if it was not today" value={value} onChange={onChange} />
          )}
        />
        {failed && <Failed error={failed} />}
        <div className="grid grid-cols-2 gap-2">
          <Button
            type="submit"
            look="action"
            className="min-h-12"
            disabled={sending}
            onClick={() => form.setValue('closed', true)}
          >
            Closed
          </Button>
          <Button
            type="submit"
            className="min-h-12"
            disabled={sending}
            onClick={() => form.setValue('closed', false)}
          >
            Not closed
          </Button>
        </div>
      </form>
    </section>
  );
}

function Attempts({ view, lifterId }: { view: GrippersView; lifterId: string }): ReactElement {
  const undo = useUndoAttempt(lifterId);
  const [all, setAll] = useState(false);
  const shown = all ? view.attempts : view.attempts.slice(0, 10);
  return (
    <section aria-label="Attempts">
      <h2 className="flex items-baseline justify-between border-b-2 border-ink pb-1 text-xl">
        Attempts
        <SaveTable
          name="gripper attempts"
          table={{
            head: ['day', 'hand', 'gripper', 'resistance (kg)', 'start', 'closed', 'gap (mm)', 'seconds'],
            rows: view.attempts.map((each) => [
              each.on,
              each.hand,
              each.gripperName,
              each.resistance,
              each.depth,
              each.closed ? 'yes' : 'no',
              each.gapMm,
              each.seconds,
            ]),
          }}
        />
      </h2>
      {undo.error && <Failed error={undo.error} />}
      {view.attempts.length === 0 ? (
        <p className="py-2 text-quiet">None yet: chances above are working figures with wide ranges.</p>
      ) : (
        <ul>
          {shown.map((each) => (
            <li
              key={each.id}
              className="grid grid-cols-[6rem_1fr_auto] items-baseline gap-x-2 border-b border-rule py-1"
            >
              <span className="figures">{shortDay(each.on)}</span>
              <span>
                {each.hand} {each.gripperName}, {each.closed ? 'closed' : 'not closed'}
                {each.gapMm !== null && `, ${each.gapMm} mm left`}
                {each.seconds !== null && `, ${each.seconds} s`}
                {each.depth !== 'open' && (
                  <span className="text-quiet"> {START_DEPTH_NAMES[each.depth]}</span>
                )}
              </span>
              <Button look="quiet" disabled={undo.isPending} onClick={() => undo.mutate(each.id)}>
                Undo
                <span className="sr-only">
                  {' '}
                  {each.hand} {each.gripperName} of {shortDay(each.on)}
                </span>
              </Button>
            </li>
          ))}
        </ul>
      )}
      {!all && view.attempts.length > shown.length && (
        <Button className="mt-2" onClick={() => setAll(true)}>
          {view.attempts.length - shown.length} more
        </Button>
      )}
    </section>
  );
}
