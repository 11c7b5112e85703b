import { BACK_TEST_ENOUGH, type BackTestReading } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import { SaidAndHeld } from './charts/said-and-held.tsx';
import { share } from './figures.ts';

/** What was said beforehand against what happened, and how far to trust what is said now. */
export function TrackRecord({ reading }: { reading: BackTestReading }): ReactElement {
  const { weeks, trials, said, held, verdict, early, coverage, brier, usual, tenths } = reading;
  if (verdict === 'tooFew')
    return (
      <p>
        Not known yet: the curve has foretold {trials} {trials === 1 ? 'set or hold' : 'sets and holds'} so
        far, and is judged from {BACK_TEST_ENOUGH} on.
      </p>
    );
  return (
    <div className="grid gap-3">
      <p className="text-lg font-semibold">{VERDICTS[verdict]}</p>
      <p>
        {weeks} times, at the end of a week, the curve known then was asked about the four weeks after it. Of{' '}
        {trials} sets and holds it expected {share(said, 1)} to be held; {share(held, 1)} were.
      </p>
      <SaidAndHeld tenths={tenths} />
      <p className="text-sm text-quiet">
        Tick: the chance that was said. Dot: how many were held, with the range that chance alone allows.
        Ochre: what was said lies outside that range.
      </p>
      <dl className="figures grid items-baseline gap-x-6 gap-y-1 text-lg sm:grid-cols-[auto_1fr]">
        <dt className="label">Against the usual share</dt>
        <dd>
          {brier < usual
            ? `Better than always saying how many are usually held: error ${brier.toFixed(3)} against ${usual.toFixed(3)}.`
            : `No better than always saying how many are usually held (error ${brier.toFixed(3)} against ${usual.toFixed(3)}): nearly everything is held, and only more work near the limit would tell.`}
        </dd>
        <dt className="label">Early slips</dt>
        <dd>
          {early === null
            ? 'Not known yet.'
            : `${share(early)} slipped sooner than one in ten should; ${early <= 0.1 ? 'no more than said' : 'more than said'}.`}
        </dd>
        <dt className="label">Times inside their range</dt>
        <dd>
          {coverage === null
            ? 'Not known yet: too few were held to their very end.'
            : `${share(coverage)} of the times lay in the range that is meant to hold 80 %.`}
        </dd>
      </dl>
    </div>
  );
}

const VERDICTS: Record<Exclude<BackTestReading['verdict'], 'tooFew'>, string> = {
  sound: 'The chances can be taken as they are said.',
  cautious: 'The hands held more than was said: the chances err on the safe side.',
  hopeful: 'The hands held less than was said: ask for a little less than the chances allow.',
};
