import type { HoldEnding } from '@iron-clasp/core';
import clsx from 'clsx';
import type { ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { useKeys } from '../../ui/use-keys.ts';
import { FIRST, SECOND } from './panel-sizes.ts';
import { useTimed } from './use-timed.ts';

interface TimedKeysProps {
  readonly sessionId: string;
  /** s that are asked for. */
  readonly target: number;
  /** What was really held or carried, s to the tenth. */
  readonly onEnd: (seconds: number, ended: HoldEnding) => void;
  readonly onDone: () => void;
  readonly onOtherwise: () => void;
}

/** The keys of a set that is done for time: a clock, so that the seconds done are stored and not the seconds asked for. */
export function TimedKeys({ sessionId, target, onEnd, onDone, onOtherwise }: TimedKeysProps): ReactElement {
  const { running, seconds, countIn, begin, stop } = useTimed(sessionId, target, onEnd);
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
        <Button look="action" className={clsx('col-span-2 text-2xl', FIRST)} onClick={() => begin()}>
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
