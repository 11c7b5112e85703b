import type { ReactElement } from 'react';
import { Empty } from '../../ui/states.tsx';
import { useToday } from '../../data/lifters/rack.ts';

export function NoLifter(): ReactElement {
  const today = useToday().data?.sessions ?? [];
  return (
    <div className="p-8">
      <Empty page title="Nobody is open">
        <p>
          Choose a lifter on the rack
          {today.length > 0 &&
            `: ${[...new Set(today.map((each) => each.lifterName))].join(', ')} train today`}
          . The rack puts those first who need your eye.
        </p>
        <p className="mt-2">Press / to find a name, ? for all keys.</p>
      </Empty>
    </div>
  );
}
