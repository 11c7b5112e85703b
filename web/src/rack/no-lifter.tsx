import type { ReactElement } from 'react';
import { useRack } from '../api/queries.ts';
import { Empty } from '../parts/states.tsx';

export function NoLifter(): ReactElement {
  const rack = useRack();
  const today = rack.data?.lifters.filter((row) => row.nextSession?.on === rack.data.today) ?? [];
  return (
    <div className="p-8">
      <Empty page title="Nobody is open">
        <p>
          Choose a lifter on the rack
          {today.length > 0 && `: ${today.map((row) => row.name).join(', ')} train today`}. The rack puts
          those first who need your eye.
        </p>
        <p className="mt-2">Press / to find a name, ? for all keys.</p>
      </Empty>
    </div>
  );
}
