import { loadBar, sayCall, whyChanged, SET_ROLE_TAGS } from '@iron-clasp/core';
import type { FloorView } from '@iron-clasp/contract';
import type { ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { formatMass } from '../../ui/figures.ts';
import type { Proposal } from './lane.ts';

/** What the rest of the session would be called now, and why: the coach takes it, or keeps what was agreed. */
export function Proposals({
  proposals,
  equipment,
  onTake,
  onKeep,
}: {
  proposals: readonly Proposal[];
  equipment: FloorView['equipment'];
  onTake: () => void;
  onKeep: () => void;
}): ReactElement {
  const unit = useUnit();
  // A lighter load is one that the plates here make.
  const loadable = (kg: number): string =>
    formatMass(loadBar({ target: kg, ...equipment }).atOrBelow?.total ?? kg, unit);
  // Alike sets that change alike are said once.
  const lines = new Map(
    proposals.map((each) => [
      `${each.set.liftName} ${each.set.role} ${each.set.loading.total} ${sayCall(each.after)} ${each.after.verdict}`,
      each,
    ]),
  );
  return (
    <section
      aria-label="Called anew"
      role="status"
      className="flex max-h-[45dvh] shrink-0 flex-col border-b-2 border-ochre bg-raised px-3 py-1.5 flat:flex-row flat:items-center flat:gap-3"
    >
      <div className="min-h-0 grow overflow-y-auto">
        <h2 className="text-lg text-ochre short:sr-only">
          {lines.size === 1 ? 'One call would change' : `${lines.size} calls would change`}
        </h2>
        <ul>
          {[...lines].map(([key, { set, before, after }]) => (
            <li key={key} className="leading-tight">
              <b>
                {set.liftName}, {SET_ROLE_TAGS[set.role]} {formatMass(set.loading.total, unit)}:{' '}
                {after.choice === null && after.lighterLoad
                  ? `lighter, at most ${loadable(after.lighterLoad)}`
                  : sayCall(after)}
                {after.verdict === 'weak' &&
                  after.lighterLoad &&
                  `, or at most ${loadable(after.lighterLoad)}`}
              </b>
              <span className="block text-quiet">
                instead of {sayCall(before)}. {whyChanged(before, after)?.text}
              </span>
            </li>
          ))}
        </ul>
      </div>
      <div className="mt-1.5 grid shrink-0 grid-cols-2 gap-2">
        <Button look="action" className="min-h-13 text-lg" onClick={onTake}>
          Accept new call
        </Button>
        <Button className="min-h-13 text-lg" onClick={onKeep}>
          Keep old call
        </Button>
      </div>
    </section>
  );
}
