import type { MassUnit } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import type { Waiting } from '../../offline/outbox.ts';
import { outbox } from '../../offline/own-outbox.ts';
import { Button } from '../../ui/button.tsx';
import { formatMass } from '../../ui/figures.ts';

/** What an entry is called that has no figures of its own to name it by. */
const OTHER_WORDS: Record<Waiting['kind'], string> = {
  set: 'What was taken back',
  hold: 'What was taken back',
  hands: 'The hands check',
  squeeze: 'The squeeze test',
  easing: 'The word on the easier hold',
  extra: 'The set that was added',
  gripper: 'The set on the gripper',
};

/** An entry that the server did not take: kept here until a person mends or drops it; against another device, side by side. */
export function Refused({ entry, unit }: { entry: Waiting; unit: MassUnit }): ReactElement {
  const ours =
    entry.kind === 'set' && entry.body
      ? `${formatMass(entry.body.load, unit)} × ${entry.body.reps}${entry.body.slippedAtRep ? `, slipped at ${entry.body.slippedAtRep}` : ''}`
      : entry.kind === 'hold' && entry.body
        ? `${formatMass(entry.body.load, unit)} for ${entry.body.seconds} s`
        : OTHER_WORDS[entry.kind];
  const { other } = entry;
  return (
    <div
      role="alert"
      className="shrink-0 border-l-4 border-oxblood bg-raised px-3 py-1.5 leading-tight flat:flex flat:items-center flat:gap-3"
    >
      <p>
        {ours} was not taken: {entry.refused} It is kept here until you decide.
      </p>
      {other ? (
        <div className="mt-1 grid grid-cols-2 gap-2 flat:mt-0 flat:shrink-0">
          <Button className="min-h-13 leading-tight" onClick={() => outbox.remove(entry.id)}>
            Keep theirs: {formatMass(other.load, unit)} × {other.reps}
            {other.slippedAtRep !== null && `, slipped at ${other.slippedAtRep}`}
          </Button>
          <Button className="min-h-13 leading-tight" onClick={() => outbox.insist(entry.id)}>
            Keep ours: {ours}
          </Button>
        </div>
      ) : (
        <Button className="mt-1 min-h-13 px-6" onClick={() => outbox.remove(entry.id)}>
          Remove
        </Button>
      )}
    </div>
  );
}
