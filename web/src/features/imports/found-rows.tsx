import type { ImportPreview } from '@iron-clasp/contract';
import type { FileKind } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import type { BringIn } from '../../data/imports/imports.ts';
import { Button } from '../../ui/button.tsx';
import { useDateHabit, writeDay } from '../../ui/date-words.ts';
import { Progress } from '../../ui/progress.tsx';
import { SaveTable } from '../../ui/save-table.tsx';
import { saidOfImport, saidThings } from './import-words.ts';

/** An import that is being done: how far it has come, and the way out. */
export function UnderWay({
  kind,
  things,
  bring,
}: {
  kind: FileKind;
  things: number;
  bring: BringIn;
}): ReactElement {
  const { progress, cancel } = bring;
  return (
    <div className="flex flex-wrap items-center gap-4">
      <span role="status">
        Bringing in {saidThings(kind, things)} …
        {progress && ` ${Math.floor((100 * progress.done) / Math.max(1, progress.of))} %`}
      </span>
      <Progress label="Rows brought in" value={progress?.done ?? 0} max={progress?.of ?? 1} />
      <Button onClick={cancel}>Cancel</Button>
    </div>
  );
}

/** What the server made of the rows: what would come in, and what is left out with why. */
export function FoundRows({ kind, found }: { kind: FileKind; found: ImportPreview }): ReactElement {
  const habit = useDateHabit();
  const n = (value: number): string => value.toLocaleString('en');
  return (
    <div role="status" className="border-l-4 border-verdigris bg-raised px-4 py-3">
      <p className="text-lg">
        <b>{found.things === 0 ? 'Nothing' : saidOfImport(kind, found.things, found.days)}</b>
        {found.from &&
          found.to &&
          ` from ${writeDay(found.from, habit)} to ${writeDay(found.to, habit)}`}{' '}
        would come in.
        {found.known > 0 && ` ${n(found.known)} are there already.`}
        {found.leftOut > 0 && ` ${n(found.leftOut)} of ${n(found.rows)} rows are left out:`}
      </p>
      {found.faults.length > 0 && (
        <>
          <ul aria-label="Rows that are left out" className="mt-2 max-h-60 overflow-y-auto" tabIndex={0}>
            {found.faults.map(({ line, fault }) => (
              <li key={line} className="grid grid-cols-[4.5rem_minmax(0,1fr)] border-b border-rule py-1">
                <span className="figures text-quiet">row {line}</span> {fault}
              </li>
            ))}
          </ul>
          <p className="mt-2">
            {found.leftOut > found.faults.length && `The first ${found.faults.length} are shown. `}
            <SaveTable
              name="rows left out"
              table={{ head: ['row', 'why'], rows: found.faults.map(({ line, fault }) => [line, fault]) }}
            />
          </p>
        </>
      )}
    </div>
  );
}
