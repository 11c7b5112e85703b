import type { ReactElement } from 'react';
import { useBackTest } from '../../data/lifters/curves.ts';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { CURVE_PARTS, Parts } from '../../ui/parts.tsx';
import { Failed, Loading } from '../../ui/states.tsx';
import { TrackRecord as Record } from '../../ui/track-record.tsx';

/** What the lifter's curve said beforehand, what happened, and how far to trust it. */
export function TrackRecord(): ReactElement {
  const { lifter } = useOpenSheet();
  const test = useBackTest(lifter.id);
  return (
    <>
      <Parts name="Curve" parts={CURVE_PARTS} />
      {test.isPending && <Loading what="what was said beforehand" lines={8} />}
      {test.error && !test.data && <Failed error={test.error} retry={() => void test.refetch()} />}
      {test.data && (
        <section aria-label="Track record" className="max-w-4xl py-4">
          <h2 className="mb-2 border-b-2 border-ink pb-1 text-2xl">What was said, and what happened</h2>
          {!test.data.fresh && (
            <p role="status" className="mb-2 text-quiet">
              {test.data.reading
                ? 'The log has changed: the last weeks are being asked anew.'
                : 'Half a year of weeks is being asked, for the first time: a few seconds.'}
            </p>
          )}
          {test.data.reading && <Record reading={test.data.reading} />}
        </section>
      )}
    </>
  );
}
