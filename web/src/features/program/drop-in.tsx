import {
  forearmLine,
  GRIP_KIND_NAMES,
  HOLD_KINDS_BY_ID,
  WRIST_POSITION_NAMES,
  type HoldKindId,
} from '@iron-clasp/core';
import { MOST_HOLDS } from '@iron-clasp/contract';
import type { ReactElement } from 'react';
import { useHolds } from '../../data/holds/holds.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { mondayOf } from '../../ui/date-words.ts';
import { Failed, Loading } from '../../ui/states.tsx';

const COVERED = { ...GRIP_KIND_NAMES, ...WRIST_POSITION_NAMES };

interface DropInProps {
  readonly lifterId: string;
  /** The day that is written: what its week lacks is proposed. */
  readonly day: string;
  readonly lifts: readonly string[];
  readonly holds: readonly HoldKindId[];
  readonly onLine: (liftId: string, text: string) => void;
  readonly onHold: (kind: HoldKindId) => void;
}

/** What the week still lacks, beside the lines: each taken in by one press, and changed there like any other. */
export function DropIn({ lifterId, day, lifts, holds, onLine, onHold }: DropInProps): ReactElement {
  const unit = useUnit();
  const view = useHolds(lifterId);
  const monday = mondayOf(day);
  const week = [view.data?.week, view.data?.nextWeek].find((each) => each?.from === monday);
  const exercises = week?.forearm.sessions.flatMap((session) => session.exercises) ?? [];
  const lacking = exercises.filter(
    ({ lift }, i) => !lifts.includes(lift) && exercises.findIndex((each) => each.lift === lift) === i,
  );
  const proposal = view.data?.proposal;
  const proposed = (proposal?.propose ? proposal.kinds : []).filter((kind) => !holds.includes(kind));
  return (
    <section aria-label="To drop in" className="min-w-0">
      <h3 className="border-b-2 border-ink pb-1 text-lg">To drop in</h3>
      {view.isPending && <Loading what="what the week lacks" lines={3} />}
      {view.error && <Failed error={view.error} retry={() => void view.refetch()} />}
      {view.data && !week && (
        <p className="py-1.5 text-sm text-quiet">What a week lacks is known for this week and the next.</p>
      )}
      {week && lacking.length + proposed.length === 0 && (
        <p className="py-1.5 text-sm text-quiet">The week touches everything that the kit can reach.</p>
      )}
      <ul>
        {holds.length < MOST_HOLDS &&
          proposed.map((kind) => (
            <Proposal
              key={kind}
              name={HOLD_KINDS_BY_ID[kind].name}
              what="hold after the lifts"
              why={proposal!.why[0]?.text ?? ''}
              onAdd={() => onHold(kind)}
            />
          ))}
        {lacking.map((each) => {
          const line = forearmLine(each, unit);
          return (
            <Proposal
              key={each.lift}
              name={each.name}
              what={line.replace(/^accessory /, '')}
              why={each.covers.map((kind) => COVERED[kind]).join(', ')}
              onAdd={() => onLine(each.lift, line)}
            />
          );
        })}
      </ul>
    </section>
  );
}

function Proposal({
  name,
  what,
  why,
  onAdd,
}: {
  name: string;
  what: string;
  why: string;
  onAdd: () => void;
}): ReactElement {
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-2 border-b border-rule py-1.5">
      <span>
        <b>{name}</b> <span className="figures">{what}</span>
        {why && <span className="block text-sm text-quiet">{why}</span>}
      </span>
      <Button onClick={onAdd}>
        Add<span className="sr-only"> {name} to the session</span>
      </Button>
    </li>
  );
}
