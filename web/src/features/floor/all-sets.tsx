import { HOLD_KINDS_BY_ID, sayCall, SET_ROLE_TAGS, type HoldKindId } from '@iron-clasp/core';
import type { CalledSet } from '@iron-clasp/contract';
import { Plus } from 'lucide-react';
import type { ReactElement } from 'react';
import { namedLoad } from '../../ui/at-hand.tsx';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { formatMass, seconds } from '../../ui/figures.ts';
import { agreedCall, holdKey, type DoneEntry, type Lane, type LaneMemory } from './lane.ts';

interface AllSetsProps {
  readonly lane: Lane;
  /** Kinds of hold that follow the lifts. */
  readonly kinds: readonly HoldKindId[];
  readonly memory: LaneMemory;
  readonly onGo: (at: string) => void;
  readonly onMore: (set: CalledSet, entry: DoneEntry) => void;
  /** Adds one more like this set. */
  readonly onAgain: (like: CalledSet) => void;
  readonly onOtherLift: () => void;
  readonly onGrippers: () => void;
  /** Heat, or hands that sweat; left out where the lifter alone may not say. */
  readonly sweat?: { readonly on: boolean; readonly toggle: () => void } | undefined;
  readonly onClose: () => void;
}

/** The whole session as a list: what was done, what was left out, and a tap to go anywhere. */
export function AllSets({
  lane,
  kinds,
  memory,
  onGo,
  onMore,
  onAgain,
  onOtherLift,
  onGrippers,
  sweat,
  onClose,
}: AllSetsProps): ReactElement {
  const unit = useUnit();
  return (
    <section aria-label="All sets" className="min-h-0 grow overflow-y-auto px-4 py-2">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="mr-auto text-2xl">All sets</h2>
        <Button className="min-h-12 px-5 sm:order-last" onClick={onClose}>
          Close
        </Button>
        <div className="flex gap-2 max-sm:w-full">
          {sweat && (
            <Button className="min-h-12 grow px-3" aria-pressed={sweat.on} onClick={sweat.toggle}>
              {sweat.on ? 'Sweat: on' : 'Sweat: off'}
            </Button>
          )}
          <Button className="min-h-12 grow px-3" onClick={onOtherLift}>
            Add another lift
          </Button>
          <Button className="min-h-12 grow px-3" onClick={onGrippers}>
            Grippers
          </Button>
        </div>
      </div>
      <ol className="mt-2">
        {lane.sets.map(({ set, done }) => (
          <li key={set.id} className="flex items-stretch border-b border-rule">
            <button
              type="button"
              onClick={() => (done ? onMore(set, done) : onGo(set.id))}
              className="flex min-h-16 min-w-0 grow flex-wrap items-center gap-x-4 text-left hover:bg-raised"
            >
              <span className="grow">
                {set.liftName}, {SET_ROLE_TAGS[set.role]}
                <b className="figures ml-2 text-xl">
                  {done ? formatMass(done.load, unit) : namedLoad(set.loading, unit)} ×{' '}
                  {set.seconds ? seconds(set.seconds) : (done?.reps ?? set.reps)}
                </b>
              </span>
              <span className={done ? 'text-verdigris' : 'text-quiet'}>
                {done
                  ? done.slippedAtRep !== null
                    ? `slipped at ${done.slippedAtRep}`
                    : done.waiting
                      ? 'done, waiting'
                      : 'done'
                  : memory.skipped.includes(set.id)
                    ? 'left out'
                    : sayCall(agreedCall(set, memory))}
              </span>
            </button>
            <button
              type="button"
              aria-label={`One more like ${set.liftName}, ${SET_ROLE_TAGS[set.role]}`}
              title="One more"
              onClick={() => onAgain(set)}
              className="grid min-h-16 w-16 shrink-0 place-items-center hover:bg-raised"
            >
              <Plus size={22} aria-hidden />
            </button>
          </li>
        ))}
        {kinds.map((kind) => (
          <li key={kind}>
            <button
              type="button"
              onClick={() => onGo(holdKey(kind))}
              className="flex min-h-16 w-full items-center justify-between border-b border-rule text-left hover:bg-raised"
            >
              {HOLD_KINDS_BY_ID[kind].name}
              <span className="text-quiet">
                {lane.holds.filter((hold) => hold.kind === kind).length} done
              </span>
            </button>
          </li>
        ))}
      </ol>
    </section>
  );
}
