import type { Ending } from '@iron-clasp/core';
import clsx from 'clsx';
import type { ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { useKeys } from '../../ui/use-keys.ts';
import { clocks, monotonicNow, useHoldClock } from '../../offline/clocks.ts';
import { COUNT_IN, end, READY, start } from '../../offline/hold-clock.ts';
import { FIRST, SECOND } from './panel-sizes.ts';
import { usePaintedClock } from './use-clock.ts';

/** Shorter than this, s, a tap was a slip of the thumb and no set. */
const SHORTEST = 0.5;

interface TimedKeysProps {
  readonly sessionId: string;
  /** s that are asked for. */
  readonly target: number;
  /** What was really held or carried, s to the tenth. */
  readonly onEnd: (seconds: number, ended: Ending) => void;
  readonly onDone: () => void;
  readonly onOtherwise: () => void;
}

/** The keys of a set that is done for time: a clock, so that the seconds done are stored and not the seconds asked for. */
export function TimedKeys({ sessionId, target, onEnd, onDone, onOtherwise }: TimedKeysProps): ReactElement {
  const clock = useHoldClock(sessionId);
  const { seconds, countIn } = usePaintedClock(sessionId);
  const running = clock.state === 'running';
  const begin = (): void => clocks.set(sessionId, start(READY, monotonicNow(), COUNT_IN));
  const stop = (ended: Ending): void => {
    const result = end(clock, monotonicNow(), ended);
    clocks.set(sessionId, READY);
    if (result.state === 'ended' && result.seconds >= SHORTEST) onEnd(result.seconds, ended);
  };
  useKeys({
    ' ': (event) => {
      event.preventDefault();
      if (running) stop('stopped');
      else begin();
    },
    s: () => running && stop('slipped'),
  });
  if (!running)
    return (
      <div className="grid w-full max-w-2xl grid-cols-2 gap-2">
        <Button look="action" className={clsx('col-span-2 text-2xl', FIRST)} onClick={begin}>
          Start, {target} s
        </Button>
        <Button className={clsx('text-xl', SECOND)} onClick={onDone}>
          Done as called
        </Button>
        <Button className={clsx('text-xl', SECOND)} onClick={onOtherwise}>
          Different set
        </Button>
      </div>
    );
  return (
    <div className="grid w-full max-w-2xl grid-cols-2 gap-2">
      <p
        role="timer"
        aria-label={countIn > 0 ? `begins in ${countIn}` : `${seconds.toFixed(1)} seconds of ${target}`}
        className={clsx(
          'figures col-span-2 text-5xl leading-none font-semibold',
          countIn === 0 && seconds >= target && 'text-verdigris',
        )}
      >
        {countIn > 0 ? countIn : seconds.toFixed(1)}
        <span className="text-xl text-quiet"> of {target} s</span>
      </p>
      <Button look="action" className={clsx('text-2xl', FIRST)} onClick={() => stop('stopped')}>
        {countIn > 0 ? 'Not yet' : 'Put down'}
      </Button>
      <Button className={clsx('text-2xl', FIRST)} disabled={countIn > 0} onClick={() => stop('slipped')}>
        Slipped
      </Button>
    </div>
  );
}
