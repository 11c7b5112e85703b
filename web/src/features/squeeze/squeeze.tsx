import { SIDES, type HandReading, type Side } from '@iron-clasp/core';
import type { SqueezeTestView, SqueezeView } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { TimeChart } from '../../ui/charts/time-chart.tsx';
import { Button } from '../../ui/button.tsx';
import { nearDay, shortDay } from '../../ui/figures.ts';
import { Caution, Empty, Failed, Loading } from '../../ui/states.tsx';
import { Parts, SQUEEZE_PARTS } from '../../ui/parts.tsx';
import { SaveTable } from '../../ui/save-table.tsx';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { GuidedTest } from './guided-test.tsx';
import { Protocols } from './protocols.tsx';
import { TraceDrawing } from './trace-drawing.tsx';
import { useDeclineEasing, useSqueeze, useTrace, useUndoTest } from '../../data/squeeze/squeeze.ts';

/** Squeeze tests: what the latest says against the lifter's own earlier ones, and a test step by step. */
export function Squeeze(): ReactElement {
  const { lifter } = useOpenSheet();
  const squeeze = useSqueeze(lifter.id);
  return (
    <>
      <Parts name="Squeeze" parts={SQUEEZE_PARTS} />
      {squeeze.isPending ? (
        <Loading what="the squeeze tests" lines={8} />
      ) : squeeze.data ? (
        <Drawn view={squeeze.data} lifterId={lifter.id} />
      ) : (
        <Failed error={squeeze.error} retry={() => void squeeze.refetch()} />
      )}
    </>
  );
}

function Drawn({ view, lifterId }: { view: SqueezeView; lifterId: string }): ReactElement {
  const [testing, setTesting] = useState(false);
  const coach = useIsCoach();
  return (
    <div className="grid gap-x-10 gap-y-6 py-4">
      {testing ? (
        <GuidedTest lifterId={lifterId} protocols={view.protocols} onClose={() => setTesting(false)} />
      ) : (
        <div className="flex flex-wrap items-center gap-4">
          <Button look="action" className="min-h-12 px-5" onClick={() => setTesting(true)}>
            New test
          </Button>
          {view.dueOn && (
            <p className={view.dueOn < view.today ? 'text-ochre' : 'text-quiet'}>
              {view.dueOn < view.today
                ? `The next test was due on ${shortDay(view.dueOn)}.`
                : `Next test due by ${shortDay(view.dueOn)}.`}
            </p>
          )}
        </div>
      )}
      {view.tests.length === 0 ? (
        <Empty title="No squeeze test yet">
          Test with three trials a hand before a session. From the second test on, a change is told from error
          of measurement.
        </Empty>
      ) : (
        <>
          <Reading view={view} lifterId={lifterId} />
          <div className="grid gap-x-10 gap-y-6 xl:grid-cols-[minmax(0,1fr)_24rem]">
            <Scores view={view} />
            {coach && <Protocols lifterId={lifterId} protocols={view.protocols} />}
          </div>
          <Tests view={view} lifterId={lifterId} />
        </>
      )}
    </div>
  );
}

const VERDICTS = {
  normal: { words: 'normal', tone: 'text-verdigris' },
  up: { words: 'up', tone: 'text-verdigris' },
  down: { words: 'down', tone: 'text-oxblood' },
  unknown: { words: 'nothing to compare yet', tone: 'text-quiet' },
} as const;

function Reading({ view, lifterId }: { view: SqueezeView; lifterId: string }): ReactElement | null {
  const decline = useDeclineEasing(lifterId);
  const coach = useIsCoach();
  const { reading, readingOf, reliability } = view;
  const test = view.tests.find((each) => each.id === readingOf);
  if (!reading || !test) return null;
  const { asymmetry } = reading;
  return (
    <section aria-label="The latest test" className="grid gap-3">
      <h2 className="text-2xl">Latest test, {nearDay(test.on, view.today)}</h2>
      <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2 xl:grid-cols-4">
        {SIDES.map((side) => (
          <HandFigure key={side} side={side} hand={reading.hands[side]} />
        ))}
        <div className="border-t-2 border-ink pt-1">
          <p className="label">One hand against the other</p>
          {asymmetry ? (
            <>
              <p className="figures text-2xl font-semibold">
                {asymmetry.value.toFixed(1)} %{' '}
                <span className="text-lg font-medium text-quiet">
                  {Math.max(0, asymmetry.low).toFixed(1)} to {asymmetry.high.toFixed(1)}
                </span>
              </p>
              <p className="text-sm text-quiet">
                {asymmetry.clear ? `the ${asymmetry.stronger} hand is stronger` : 'no clear difference'}
              </p>
            </>
          ) : (
            <p className="text-quiet">Both hands are needed.</p>
          )}
        </div>
        <div className="border-t-2 border-ink pt-1">
          <p className="label">How well trials agree, ICC(2,1)</p>
          {SIDES.map((side) => {
            const icc = reliability[side];
            return (
              <p key={side} className="figures text-lg">
                {side}{' '}
                {icc
                  ? `${icc.value.toFixed(2)} (${icc.low.toFixed(2)} to ${icc.high.toFixed(2)})`
                  : 'not yet'}
              </p>
            );
          })}
        </div>
      </div>
      <ul className="grid gap-1">
        {reading.why.map((why) => (
          <li key={why.text} className="text-quiet">
            {why.text}
          </li>
        ))}
      </ul>
      {reading.easierHolds && (
        <div className="flex flex-wrap items-center gap-3 border-y-2 border-ochre bg-raised px-3 py-2">
          <Caution>
            {test.on === view.today
              ? test.easingDeclined
                ? 'Holds stay as prescribed: the easier ones were declined.'
                : reading.easierHolds.reason.text
              : `${reading.easierHolds.reason.text.replace(/ today\.$/, '')} on the day of the test. Test again before the next holds.`}
          </Caution>
          {coach && test.on === view.today && (
            <Button
              disabled={decline.isPending}
              onClick={() => decline.mutate({ testId: test.id, declined: !test.easingDeclined })}
            >
              {test.easingDeclined ? 'Take the easier holds' : 'Decline'}
            </Button>
          )}
        </div>
      )}
      {decline.error && <Failed error={decline.error} />}
    </section>
  );
}

function HandFigure({ side, hand }: { side: Side; hand: HandReading | undefined }): ReactElement {
  if (!hand)
    return (
      <div className="border-t-2 border-ink pt-1">
        <p className="label">{side} hand</p>
        <p className="text-quiet">not tested</p>
      </div>
    );
  const verdict = VERDICTS[hand.verdict];
  return (
    <div className="border-t-2 border-ink pt-1">
      <p className="label">
        {side} hand, best of {hand.trials.length}
      </p>
      <p className="figures text-3xl font-semibold">
        {hand.best.toFixed(1)} <span className="text-lg font-medium">kgf</span>{' '}
        <span className={`text-xl ${verdict.tone}`}>{verdict.words}</span>
      </p>
      <p className="text-sm text-quiet">
        {hand.change !== undefined &&
          `${hand.change >= 0 ? '+' : '−'}${Math.abs(hand.change).toFixed(1)} against ${hand.baseline!.toFixed(1)} expected of the mean; `}
        a change counts from {hand.minimalDetectableChange.toFixed(1)}
        {hand.baseline === undefined && ' (by repeated trials alone)'}; mean {hand.mean.toFixed(1)}
        {hand.z !== undefined && `; z ${hand.z < 0 ? '−' : ''}${Math.abs(hand.z).toFixed(1)}`}
      </p>
    </div>
  );
}

/** Best of each hand over time, in the tests done like the latest, with the error of one score. */
function Scores({ view }: { view: SqueezeView }): ReactElement {
  const alike = view.tests.filter((test) => test.compared).reverse();
  return (
    <section aria-label="Scores over time" className="min-w-0">
      <h2 className="mb-2 text-2xl">Best of each hand</h2>
      <TimeChart
        name="squeeze"
        label={`Best score of each hand in ${alike.length} tests done the same way, kgf.`}
        unit="kgf"
        series={SIDES.map((side) => {
          const error = view.reading?.hands[side]?.typicalError.value ?? 0;
          return {
            name: side,
            points: alike.flatMap((test) => {
              const best = test.scores[side]?.best;
              return best === undefined
                ? []
                : [{ on: test.on, value: best, low: best - 1.28 * error, high: best + 1.28 * error }];
            }),
          };
        })}
      />
      <p className="text-sm text-quiet">
        The band is the error of one score, four times in five. A change smaller than what counts is no
        change.
      </p>
    </section>
  );
}

function Tests({ view, lifterId }: { view: SqueezeView; lifterId: string }): ReactElement {
  const undo = useUndoTest(lifterId);
  const [open, setOpen] = useState<{ id: string; place: number } | null>(null);
  const [all, setAll] = useState(false);
  const shown = all ? view.tests : view.tests.slice(0, 8);
  return (
    <section aria-label="Tests" className="min-w-0">
      <h2 className="flex items-baseline justify-between border-b-2 border-ink pb-1 text-xl">
        Tests
        <SaveTable
          name="squeeze tests"
          table={{
            head: ['day', 'protocol', 'hand', 'trial', 'force (kgf)', 'came'],
            rows: view.tests.flatMap((test) =>
              test.trials.map((trial, i) => [
                test.on,
                test.protocolName,
                trial.hand,
                i + 1,
                trial.force,
                test.source,
              ]),
            ),
          }}
        />
      </h2>
      {undo.error && <Failed error={undo.error} />}
      <ul>
        {shown.map((test) => (
          <li
            key={test.id}
            className="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1 border-b border-rule py-2 sm:grid-cols-[7rem_1fr_auto]"
          >
            <span className="figures text-lg">{shortDay(test.on)}</span>
            <div className="col-span-2 row-start-2 min-w-0 sm:col-span-1 sm:col-start-2 sm:row-start-1">
              <Trials test={test} onOpen={(place) => setOpen({ id: test.id, place })} />
              <p className="text-sm text-quiet">
                {test.protocolName}
                {!test.compared && test.trials.length > 0 && '; done another way: not compared'}
                {test.source !== 'hand' && `; ${test.source === 'file' ? 'from a file' : 'live'}`}
                {test.note && `; ${test.note}`}
              </p>
              {open?.id === test.id && (
                <OpenTrace testId={test.id} place={open.place} onClose={() => setOpen(null)} />
              )}
            </div>
            <Button look="quiet" disabled={undo.isPending} onClick={() => undo.mutate(test.id)}>
              Undo<span className="sr-only"> the test of {shortDay(test.on)}</span>
            </Button>
          </li>
        ))}
      </ul>
      {!all && view.tests.length > shown.length && (
        <Button className="mt-2" onClick={() => setAll(true)}>
          {view.tests.length - shown.length} more
        </Button>
      )}
    </section>
  );
}

function Trials({ test, onOpen }: { test: SqueezeTestView; onOpen: (place: number) => void }): ReactElement {
  if (test.contractions) {
    const { hand, protocol, reading } = test.contractions;
    return (
      <p className="figures text-lg">
        {hand}, {reading.contractions.length} of {protocol.count} contractions: lasting force{' '}
        {reading.endTestForce === null ? 'not to be read' : `${reading.endTestForce.toFixed(1)} kgf`}
        {reading.workAboveEndTest !== null && `, ${Math.round(reading.workAboveEndTest)} kgf·s above it`}{' '}
        <Button look="quiet" onClick={() => onOpen(0)}>
          trace
        </Button>
      </p>
    );
  }
  return (
    <div className="figures flex flex-wrap gap-x-6 text-lg">
      {SIDES.map((side) => {
        const own = test.trials
          .map((trial, place) => ({ ...trial, place }))
          .filter((trial) => trial.hand === side);
        return (
          own.length > 0 && (
            <span key={side}>
              <span className="text-quiet">{side}</span>{' '}
              {own.map((trial, i) => (
                <span key={trial.place}>
                  {i > 0 && ' · '}
                  {trial.reading ? (
                    <button
                      type="button"
                      className="underline underline-offset-4"
                      aria-label={`trace of ${trial.force.toFixed(1)} kgf, ${side}`}
                      onClick={() => onOpen(trial.place)}
                    >
                      {trial.force.toFixed(1)}
                    </button>
                  ) : (
                    trial.force.toFixed(1)
                  )}
                </span>
              ))}
            </span>
          )
        );
      })}
    </div>
  );
}

function OpenTrace({
  testId,
  place,
  onClose,
}: {
  testId: string;
  place: number;
  onClose: () => void;
}): ReactElement {
  const trace = useTrace(testId, place);
  return (
    <div className="my-2">
      {trace.isPending && <Loading what="the trace" lines={3} />}
      {trace.error && <Failed error={trace.error} retry={() => void trace.refetch()} />}
      {trace.data && <TraceDrawing trace={trace.data} />}
      <Button look="quiet" onClick={onClose}>
        Close the trace
      </Button>
    </div>
  );
}
