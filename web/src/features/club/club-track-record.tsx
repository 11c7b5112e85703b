import type { BackTestReading } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useClubBackTest } from '../../data/club/attention.ts';
import { Failed, Loading } from '../../ui/states.tsx';
import { TrackRecord } from '../../ui/track-record.tsx';

/** How far the chances that the product says can be trusted, over all lifters and of each. */
export function ClubTrackRecord(): ReactElement {
  const test = useClubBackTest();
  return (
    <section aria-label="Track record" className="mt-8 max-w-4xl">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">What was said, and what happened</h2>
      {test.isPending && <Loading what="what was said beforehand" lines={6} />}
      {test.error && !test.data && <Failed error={test.error} retry={() => void test.refetch()} />}
      {test.data && (
        <div className="grid gap-3 pt-2">
          {test.data.underWay > 0 && (
            <p role="status" className="text-quiet">
              {test.data.underWay} {test.data.underWay === 1 ? 'lifter is' : 'lifters are'} being asked about;
              the figures grow meanwhile.
            </p>
          )}
          <TrackRecord reading={test.data.club} />
          {test.data.lifters.length > 0 && (
            <ul className="grid gap-x-8 sm:grid-cols-2">
              {test.data.lifters.map(({ id, name, trials, verdict }) => (
                <li
                  key={id}
                  className="flex flex-wrap items-baseline justify-between gap-x-3 border-b border-rule py-1"
                >
                  <Link
                    to={`/lifters/${id}/track-record`}
                    className="font-semibold underline-offset-4 hover:underline"
                  >
                    {name}
                  </Link>
                  <span className="figures text-quiet">
                    {WORDS[verdict]}, {trials} asked
                  </span>
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </section>
  );
}

const WORDS: Record<BackTestReading['verdict'], string> = {
  tooFew: 'not known yet',
  sound: 'as said',
  cautious: 'held more than said',
  hopeful: 'held less than said',
};
