import { GRIP_NAMES, HOLD_KINDS_BY_ID, type HoldPrescription } from '@iron-clasp/core';
import type { FloorView, LogHoldRequest } from '@iron-clasp/contract';
import clsx from 'clsx';
import { useEffect, useRef, useState, type ReactElement, type ReactNode } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { AtHand, InOwnUnit, namedLoad } from '../../ui/at-hand.tsx';
import { BarDrawing } from '../../ui/marks/bar-drawing.tsx';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { loadingWords } from '../../ui/marks/plates.ts';
import { Button } from '../../ui/button.tsx';
import { Caution } from '../../ui/states.tsx';
import { useKeys } from '../../ui/use-keys.ts';
import { corrected, COUNT_IN, elapsed, finalShare } from '../../offline/hold-clock.ts';
import { HoldByHand } from './hold-by-hand.tsx';
import type { DoneHold } from './lane.ts';
import { Middle } from './middle.tsx';
import { FIRST, SECOND } from './panel-sizes.ts';
import { useTimed } from './use-timed.ts';
import { clockNow } from '../../data/clock.ts';

/** Seconds that a lifter alone has to get to the bar. */
const ALONE = 10;

interface HoldPanelProps {
  readonly view: FloorView;
  readonly hold: HoldPrescription;
  readonly holds: readonly DoneHold[];
  /** The holds done, in words. */
  readonly done: ReactNode;
  /** Nobody else holds the phone: the clock waits until the lifter is at the bar. */
  readonly alone: boolean;
  readonly onLog: (body: LogHoldRequest) => void;
  /** Puts a hold right: as it was logged, and as it is. */
  readonly onCorrect: (logged: DoneHold, right: DoneHold) => void;
}

/** The hold: counts in, runs, sweeps over the last seconds, and ends by a tap; a late tap is put right by seconds. */
export function HoldPanel({
  view,
  hold,
  holds,
  done,
  alone,
  onLog,
  onCorrect,
}: HoldPanelProps): ReactElement {
  const unit = useUnit();
  const { session } = view.calls;
  const [byHand, setByHand] = useState(false);
  const [delay, setDelay] = useState(alone ? ALONE : COUNT_IN);
  const own = holds.filter((each) => each.kind === hold.kind);
  const last = own.at(-1);
  const { pins } = HOLD_KINDS_BY_ID[hold.kind];
  const rest: Omit<LogHoldRequest, 'load' | 'seconds' | 'ended' | 'doneAt'> = {
    kind: hold.kind,
    liftId: hold.lift,
    barId: session.bar.id,
    ...(hold.diameter !== undefined && { diameter: hold.diameter }),
    target: hold.seconds,
    grip: hold.grip,
    chalk: session.venue.chalk,
    ...(hold.sideUnder && { sideUnder: hold.sideUnder }),
    ...(hold.pin && { pin: last?.pin ?? hold.pin.height }),
  };
  const timed = useTimed(session.id, hold.seconds, (seconds, ended) =>
    onLog({ ...rest, load: hold.load, seconds, ended, doneAt: clockNow().toISOString() }),
  );
  const { running, seconds, countIn, stop } = timed;
  const begin = (): void => timed.begin(delay);
  // The focus stays on what Space would press next, so that keyboard and screen reader never lose their place.
  const mainButton = useRef<HTMLButtonElement>(null);
  const wasRunning = useRef(running);
  useEffect(() => {
    if (wasRunning.current !== running) mainButton.current?.focus({ preventScroll: true });
    wasRunning.current = running;
  }, [running]);
  useKeys({
    ' ': (event) => {
      event.preventDefault();
      if (byHand) return;
      if (running) stop('stopped');
      else begin();
    },
    s: () => running && stop('slipped'),
  });
  const share = running && countIn === 0 ? finalShare(seconds, hold.seconds) : 0;
  return (
    <section
      aria-label="The hold"
      className={clsx('relative flex min-h-0 grow flex-col', !byHand && 'flat:flex-row')}
    >
      <div
        aria-hidden
        className="pointer-events-none absolute inset-x-0 bottom-0 bg-verdigris/30 motion-reduce:hidden"
        style={{ height: `${share * 100}%` }}
      />
      {byHand ? (
        <HoldByHand
          unit={unit}
          rest={rest}
          pins={pins === true}
          start={{ load: hold.load, seconds: 0, ended: 'stopped' }}
          onLog={(body) => {
            setByHand(false);
            onLog(body);
          }}
          onCancel={() => setByHand(false)}
        />
      ) : (
        <>
          <Middle className="gap-1.5 px-3 py-1 spacious:gap-3">
            <p className="figures text-4xl leading-none font-semibold spacious:text-5xl vast:text-7xl">
              <AtHand loading={hold.loading} kg={hold.load} reader={unit} named />
            </p>
            <InOwnUnit loading={hold.loading} kg={hold.load} reader={unit} />
            <p className="flex flex-wrap items-center justify-center gap-x-5 text-lg leading-tight">
              <span className="flex items-center gap-3">
                <GripMark
                  choice={hold.grip}
                  {...(hold.sideUnder && { sideUnder: hold.sideUnder })}
                  size={32}
                />
                {GRIP_NAMES[hold.grip]}
                {hold.sideUnder && `, ${hold.sideUnder} under`}
              </span>
              <span className="hidden spacious:block" title={loadingWords(hold.loading)}>
                <BarDrawing loading={hold.loading} height={50} />
              </span>
            </p>
            {!running &&
              hold.cautions.map((text) => (
                <div key={text} className="text-left leading-tight">
                  <Caution>{text}</Caution>
                </div>
              ))}
            <p
              role="timer"
              aria-label={
                countIn > 0 ? `begins in ${countIn}` : `${seconds.toFixed(1)} seconds of ${hold.seconds}`
              }
              className="figures text-7xl leading-none font-semibold spacious:text-8xl vast:text-[10rem]"
            >
              {countIn > 0 ? <span className="text-quiet">{countIn}</span> : seconds.toFixed(1)}
            </p>
            <p className="leading-tight text-quiet spacious:text-xl">
              {countIn > 0
                ? 'to the bar'
                : running
                  ? seconds >= hold.seconds
                    ? 'time: put it down'
                    : `of ${hold.seconds} s`
                  : `${HOLD_KINDS_BY_ID[hold.kind].name.toLowerCase()} for ${hold.seconds} s; ${hold.pins.charAt(0).toLowerCase()}${hold.pins.slice(1)}`}
            </p>
            {!running && own.length === 0 && hold.ramp.length > 0 && (
              <p className="leading-tight">
                First{' '}
                {hold.ramp
                  .map(({ loading, seconds: each }) => `${namedLoad(loading, unit)} for ${each} s`)
                  .join(', ')}
              </p>
            )}
            {!running && done}
          </Middle>
          <div className="relative grid w-full max-w-2xl shrink-0 grid-cols-2 gap-2 self-center px-3 pb-2 flat:basis-1/2">
            {running ? (
              <>
                <Button
                  ref={mainButton}
                  look="action"
                  className={clsx('text-2xl', FIRST)}
                  onClick={() => stop('stopped')}
                >
                  {countIn > 0 ? 'Not yet' : 'Put down'}
                </Button>
                <Button
                  className={clsx('text-2xl', FIRST)}
                  disabled={countIn > 0}
                  onClick={() => stop('slipped')}
                >
                  Slipped
                </Button>
                {pins && (
                  <Button className={clsx('col-span-2', SECOND)} onClick={() => stop('notLifted')}>
                    Could not break it from the pins
                  </Button>
                )}
              </>
            ) : (
              <>
                <Button
                  ref={mainButton}
                  look="action"
                  className={clsx('col-span-2 text-2xl', FIRST)}
                  onClick={begin}
                >
                  Start
                </Button>
                <div className="col-span-2 grid grid-flow-col auto-cols-fr gap-1.5">
                  {last &&
                    last.ended !== 'notLifted' &&
                    ([-1, 1] as const).map((by) => (
                      <Button
                        key={by}
                        className={clsx('figures px-1 text-lg leading-tight', SECOND)}
                        onClick={() => onCorrect(last, moved(last, by))}
                      >
                        last {by < 0 ? '− 1 s' : '+ 1 s'}
                      </Button>
                    ))}
                  <Button className={clsx('px-1 leading-tight', SECOND)} onClick={() => setByHand(true)}>
                    By hand
                  </Button>
                  <Button
                    className={clsx('px-1 leading-tight', SECOND)}
                    aria-pressed={delay === ALONE}
                    onClick={() => setDelay(delay === ALONE ? COUNT_IN : ALONE)}
                  >
                    count in {delay} s
                  </Button>
                </div>
              </>
            )}
          </div>
        </>
      )}
    </section>
  );
}

/** A hold whose tap came late or early: the same one, some seconds longer or shorter. */
function moved(last: DoneHold, by: number): DoneHold {
  const { seconds, ended } = last;
  if (ended === 'notLifted') return last;
  return { ...last, seconds: elapsed(corrected({ state: 'ended', seconds, ended }, by), 0) };
}
