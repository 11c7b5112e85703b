import {
  handWords,
  HISTORY_NAMES,
  HOOK_STAGES,
  HOOK_STAGES_BY_ID,
  IMBALANCE_FLAG,
  PAIN_PARTS,
  SIDES,
  type Side,
} from '@iron-clasp/core';
import type { HandsHistoryView } from '@iron-clasp/contract';
import clsx from 'clsx';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { TimeChart } from '../../ui/charts/time-chart.tsx';
import { shortDay } from '../../ui/figures.ts';
import { Button } from '../../ui/button.tsx';
import { useMoveHook } from '../../data/hands/hands.ts';
import { Caution, Failed } from '../../ui/states.tsx';
import { HandDrawing } from '../../ui/marks/hand-drawing.tsx';
import { Slider } from '../../ui/slider.tsx';
import { DataTable } from '../../ui/data-table.tsx';

interface HandsHistoryProps {
  readonly view: HandsHistoryView;
  readonly lifterId: string;
}

/** Both hands over the months: pain as lines, each check as a drawn map, the hook, the ledger and what is cleared. */
export function HandsHistory({ view, lifterId }: HandsHistoryProps): ReactElement {
  const checks = [...view.checks].reverse();
  const [at, setAt] = useState<number | null>(null);
  const place = at ?? checks.length - 1;
  const check = checks[place];
  return (
    <div className="mt-8 grid gap-x-10 gap-y-8 xl:grid-cols-2">
      <section aria-label="The hands over time" className="min-w-0">
        <h2 className="border-b-2 border-ink pb-1 text-xl">The hands over time</h2>
        {checks.length < 2 ? (
          <p className="py-2 text-quiet">From the second check on, this shows how skin and pain went.</p>
        ) : (
          <>
            <TimeChart
              name="hand pain"
              label="Worst pain of hand, thumb joint or elbow of each side by check, 0 to 10."
              unit="pain"
              fromZero
              height={170}
              figure={(value) => String(Math.round(value))}
              series={SIDES.map((side) => ({
                name: side,
                points: checks.map((each) => ({ on: each.on, value: worst(each, side) })),
              }))}
            />
            <SkinLine checks={checks} place={place} onPick={setAt} />
            <Slider
              label="Check"
              min={0}
              max={checks.length - 1}
              value={place}
              words={check && shortDay(check.on)}
              onChange={setAt}
            />
            {check && (
              <div className="mt-2 grid grid-cols-[7rem_1fr_1fr] gap-4">
                <p role="status">
                  <b>{shortDay(check.on)}</b>
                  <span className="block text-sm text-quiet">{check.by ?? 'by nobody named'}</span>
                </p>
                {SIDES.map((side) => (
                  <div key={side}>
                    <HandDrawing side={side} hand={check.hands[side]} selected={null} still />
                    <p className="text-sm">
                      {side}: {handWords(check.hands[side]).join(', ') || 'sound'}
                    </p>
                  </div>
                ))}
              </div>
            )}
          </>
        )}
      </section>
      <div className="grid content-start gap-8">
        <Hook view={view} lifterId={lifterId} />
        <Ledger view={view} />
        <Cleared view={view} lifterId={lifterId} />
      </div>
    </div>
  );
}

type Check = HandsHistoryView['checks'][number];
const worst = ({ hands }: Check, side: Side): number =>
  Math.max(...PAIN_PARTS.map((part) => hands[side][part] ?? 0));

/** Skin of each hand, check by check: torn crossed, tender or callused half, sound open. */
function SkinLine({
  checks,
  place,
  onPick,
}: {
  checks: readonly Check[];
  place: number;
  onPick: (place: number) => void;
}): ReactElement {
  return (
    <div className="mt-1 grid gap-0.5" aria-hidden>
      {SIDES.map((side) => (
        <div key={side} className="flex items-center gap-1 pl-12">
          <span className="w-10 text-sm text-quiet">{side}</span>
          {checks.map((check, i) => {
            const { palm, thumb } = check.hands[side];
            const torn = palm === 'torn' || thumb === 'torn';
            const used = palm !== 'sound' || thumb !== 'sound';
            return (
              <span
                key={check.id}
                onClick={() => onPick(i)}
                title={`${shortDay(check.on)}: ${handWords(check.hands[side]).join(', ') || 'sound'}`}
                className={clsx(
                  'grid h-5 max-w-5 min-w-0 flex-1 cursor-pointer place-items-center border text-xs',
                  i === place ? 'border-forge' : 'border-rule',
                  torn ? 'bg-oxblood text-ground' : used ? 'bg-ochre/40' : 'bg-raised',
                )}
              >
                {torn ? '×' : ''}
              </span>
            );
          })}
        </div>
      ))}
    </div>
  );
}

function Hook({ view, lifterId }: HandsHistoryProps): ReactElement {
  const { stage, next, sessions, budget } = view.hook;
  const coach = useIsCoach();
  const move = useMoveHook(lifterId);
  return (
    <section aria-label="The hook">
      <h2 className="border-b-2 border-ink pb-1 text-xl">The hook</h2>
      <ol className="my-2 flex" aria-label="Stages">
        {HOOK_STAGES.map((each) => (
          <li
            key={each}
            aria-current={each === stage ? 'step' : undefined}
            className={clsx(
              'figures -ml-px grow border px-2 py-1 text-center text-lg',
              each === stage ? 'border-ink bg-ink text-ground' : 'border-rule',
              each === next.stage && each !== stage && 'font-semibold text-forge',
            )}
          >
            {HOOK_STAGES_BY_ID[each].name}
          </li>
        ))}
      </ol>
      <p>{HOOK_STAGES_BY_ID[stage].limit}</p>
      {stage !== 'none' && (
        <p>
          <b>
            {next.move === 'stay'
              ? 'Stay'
              : `${next.move === 'up' ? 'Up' : 'Back'} to “${HOOK_STAGES_BY_ID[next.stage].name}”`}
            :
          </b>{' '}
          {next.reason}{' '}
          <span className="text-quiet">
            {sessions} hooked {sessions === 1 ? 'session' : 'sessions'} in this stage.
          </span>{' '}
          {coach && next.move !== 'stay' && (
            <Button disabled={move.isPending} onClick={() => move.mutate({ from: stage, to: next.stage })}>
              Move it {next.move}
            </Button>
          )}
        </p>
      )}
      {move.error && <Failed error={move.error} />}
      {budget.allowance !== null && stage !== 'none' && (
        <div className="mt-2">
          <p className="label">Skin budget this week</p>
          <div
            role="meter"
            aria-label="Skin budget spent"
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.min(100, Math.round((budget.share ?? 0) * 100))}
            className="h-4 border border-edge"
          >
            <div
              className={clsx('h-full', (budget.share ?? 0) >= 1 ? 'bg-oxblood' : 'bg-verdigris')}
              style={{ width: `${Math.min(100, (budget.share ?? 0) * 100)}%` }}
            />
          </div>
          <p className="figures text-lg">
            {Math.round(budget.spent)} of {Math.round(budget.allowance)} kg·s spent
          </p>
        </div>
      )}
      <ul className="mt-2 grid gap-1">
        {view.reminders.map((text) => (
          <li key={text} className="border-l-2 border-rule pl-2">
            {text}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Ledger({ view }: { view: HandsHistoryView }): ReactElement {
  const { ledger, nextUnder } = view;
  const total = ledger.left.loadSeconds + ledger.right.loadSeconds;
  return (
    <section aria-label="Mixed-grip ledger">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Mixed grip, which hand went under</h2>
      {total === 0 ? (
        <p className="py-2 text-quiet">
          No mixed-grip set is logged: the {nextUnder} hand would go under first.
        </p>
      ) : (
        <>
          <DataTable
            name="Mixed grip by the hand under"
            rows={SIDES.map((side) => ({ side, ...ledger[side] }))}
            columns={[
              { id: 'under', head: 'under', cell: (each) => each.side },
              { id: 'sets', head: 'sets', cell: (each) => each.sets },
              { id: 'reps', head: 'reps', cell: (each) => each.reps },
              {
                id: 'load',
                head: 'kg × reps',
                cell: (each) => Math.round(each.loadReps).toLocaleString('en'),
              },
              { id: 'time', head: 'kg·s', cell: (each) => Math.round(each.loadSeconds).toLocaleString('en') },
            ]}
          />
          <p className="mt-1">
            Next: <b>{nextUnder} hand under</b>.
          </p>
          {ledger.imbalance >= IMBALANCE_FLAG && (
            <Caution>
              Nearly always the same side: {Math.round(ledger.imbalance * 100)} of 100 uneven.
            </Caution>
          )}
        </>
      )}
    </section>
  );
}

function Cleared({ view, lifterId }: HandsHistoryProps): ReactElement {
  const coach = useIsCoach();
  return (
    <section aria-label="History">
      <h2 className="border-b-2 border-ink pb-1 text-xl">History</h2>
      {view.history.length === 0 ? (
        <p className="py-2 text-quiet">Nothing is on record.</p>
      ) : (
        <ul>
          {view.history.map((flag) => (
            <li
              key={`${flag.kind} ${flag.side}`}
              className="flex justify-between gap-3 border-b border-rule py-1.5"
            >
              <span>
                <b>{HISTORY_NAMES[flag.kind]}</b>
                {flag.side && `, ${flag.side}`}
                {flag.since && <span className="text-quiet"> since {shortDay(flag.since)}</span>}
              </span>
              <span className={flag.cleared ? 'text-verdigris' : 'font-semibold text-ochre'}>
                {flag.cleared ? 'cleared' : 'not cleared: a clinician decides'}
              </span>
            </li>
          ))}
        </ul>
      )}
      {coach && (
        <Link to={`/lifters/${lifterId}/profile`} className="underline underline-offset-4">
          Change it in the profile
        </Link>
      )}
    </section>
  );
}
