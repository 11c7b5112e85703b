import {
  NEEDED_FIELDS,
  TRAINING_FIELD_NAMES,
  TRAINING_FIELDS,
  unitOfWords,
  type DayOrder,
  type MassUnit,
  type NoGripChoice,
  type TrainingColumns,
} from '@iron-clasp/core';
import type { ImportPreview, ImportView, TrainingImportRequest } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useState, type ReactElement } from 'react';
import { useBringIn, useImportPreview, useImports, useUndoImport } from '../../data/imports/imports.ts';
import { useVenues } from '../../data/kit/kit.ts';
import { useEveryLifter } from '../../data/lifters/rack.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { useDateHabit, writeDay } from '../../ui/date-words.ts';
import { FileField } from '../../ui/file-field.tsx';
import { SaveTable } from '../../ui/save-table.tsx';
import { Select } from '../../ui/select.tsx';
import { Caution, Failed, Loading } from '../../ui/states.tsx';
import { TextArea } from '../../ui/text-area.tsx';
import { useToast } from '../../ui/toast.tsx';
import {
  columnName,
  daysOf,
  likelyLifter,
  namesIn,
  openFile,
  withColumn,
  type OpenedFile,
} from './mapping.ts';

const NO_GRIP: readonly (readonly [NoGripChoice, string])[] = [
  ['leaveOut', 'leave them out'],
  ['doubleOverhand', 'double overhand'],
  ['mixed', 'mixed'],
  ['hook', 'hook'],
  ['straps', 'straps'],
];

/** Past training from a file: what it holds is shown and put right before anything is stored. */
export function Imports(): ReactElement {
  const [file, setFile] = useState<OpenedFile>();
  const [fault, setFault] = useState<string>();
  const open = (name: string, text: string): void => {
    try {
      setFile(openFile(name, text));
      setFault(undefined);
    } catch (error) {
      setFile(undefined);
      setFault(error instanceof Error ? error.message : 'This is no table.');
    }
  };
  return (
    <div className="mt-3 max-w-4xl">
      <p className="max-w-prose text-quiet">
        A table of sets, one a row: day, lift, load and repetitions at least. The more it says of grip,
        straps, chalk and slips, the sooner the curve knows the hands. Nothing is stored before you have
        looked at it, and a whole file can be taken back.
      </p>
      <Source onText={open} chosen={file?.name} />
      {fault && (
        <p role="alert" className="mt-2 text-oxblood">
          {fault}
        </p>
      )}
      {file && (
        <Mapping key={`${file.name} ${file.text.length}`} file={file} onDone={() => setFile(undefined)} />
      )}
      <Before />
    </div>
  );
}

function Source({
  onText,
  chosen,
}: {
  onText: (name: string, text: string) => void;
  chosen: string | undefined;
}): ReactElement {
  const [pasted, setPasted] = useState('');
  return (
    <div className="mt-3 grid gap-4 md:grid-cols-2">
      <FileField
        label="A file (CSV, TSV or text)"
        accept=".csv,.tsv,.txt,text/*"
        chosen={chosen}
        onChange={(file) => void file.text().then((text) => onText(file.name, text))}
      />
      <div>
        <TextArea
          label="Or paste the cells"
          rows={3}
          spellCheck={false}
          value={pasted}
          onChange={(event) => setPasted(event.target.value)}
        />
        <Button
          className="mt-2"
          disabled={pasted.trim() === ''}
          onClick={() => onText('pasted cells', pasted)}
        >
          Read the cells
        </Button>
      </div>
    </div>
  );
}

function Mapping({ file, onDone }: { file: OpenedFile; onDone: () => void }): ReactElement {
  const { table } = file;
  const reader = useUnit();
  const venues = useVenues();
  const lifters = useEveryLifter();
  const [columns, setColumns] = useState<TrainingColumns>(file.columns);
  const [unit, setUnit] = useState<MassUnit>(reader);
  const [said, setSaid] = useState<DayOrder>();
  const [noGrip, setNoGrip] = useState<NoGripChoice>('leaveOut');
  const [venue, setVenue] = useState<string>();
  const [who, setWho] = useState<Readonly<Record<string, string>>>({});
  const [id] = useState(() => crypto.randomUUID());
  const preview = useImportPreview();
  const bring = useBringIn(id);
  const say = useToast();
  if (!venues.data || !lifters.data) return <Loading what="venues and lifters" lines={4} />;
  const habit = daysOf(table, columns);
  const order = said ?? habit.order;
  const headUnit = unitOfWords(columns.load === undefined ? '' : (table.head[columns.load] ?? ''));
  const names = namesIn(table, columns);
  const lifterOf = (name: string): string => who[name] ?? likelyLifter(name, lifters.data) ?? '';
  const missing = NEEDED_FIELDS.filter((field) => columns[field] === undefined);
  const venueId = venue ?? venues.data[0]?.id;
  const body = (): TrainingImportRequest => ({
    ...{ text: file.text, name: file.name, columns: { ...columns } as TrainingImportRequest['columns'] },
    ...{ unit, order, noGrip, venueId: venueId! },
    lifters: names.map((name) => ({ name, lifterId: lifterOf(name) || null })),
  });
  // What was looked at is only what it says while nothing about it is changed.
  const changed =
    <Value,>(set: (value: Value) => void) =>
    (value: Value): void => {
      preview.reset();
      set(value);
    };
  return (
    <section aria-label="How it is read" className="mt-5 grid gap-4">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">
        {file.name}: {table.rows.length.toLocaleString('en')} rows
      </h2>
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
        {TRAINING_FIELDS.map((field) => (
          <Select
            key={field}
            label={TRAINING_FIELD_NAMES[field]}
            value={columns[field] === undefined ? '' : String(columns[field])}
            error={missing.includes(field) ? 'Choose its column.' : undefined}
            options={[
              ['', 'not in the file'],
              ...Array.from({ length: table.width }, (_, i) => [String(i), columnName(table, i)] as const),
            ]}
            onChange={changed((value: string) =>
              setColumns(withColumn(columns, field, value === '' ? undefined : Number(value))),
            )}
          />
        ))}
      </div>
      {!habit.certain && (
        <Caution>
          Every day of this file can be read with the day or the month first. Say which it is.
        </Caution>
      )}
      <div className="flex flex-wrap gap-x-8 gap-y-3">
        <Choices
          legend="Days are written"
          value={order}
          options={[
            ['dayFirst', 'day first: 24.11.'],
            ['monthFirst', 'month first: 11/24'],
          ]}
          onChange={changed(setSaid)}
        />
        {headUnit ? (
          <p className="self-end pb-1.5">Loads are in {headUnit}, as the column says.</p>
        ) : (
          <Choices
            legend="Loads that name no unit"
            value={unit}
            options={[
              ['kg', 'kg'],
              ['lb', 'lb'],
            ]}
            onChange={changed(setUnit)}
          />
        )}
      </div>
      <Choices
        legend="Pulls of which the file says no grip"
        value={noGrip}
        options={NO_GRIP}
        onChange={changed(setNoGrip)}
      />
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        <Select
          label="Where it was done"
          value={venueId ?? ''}
          options={venues.data.map((each) => [each.id, each.name] as const)}
          onChange={changed(setVenue)}
        />
        {names.map((name) => (
          <Select
            key={name}
            label={name === '' ? 'Whose training it is' : `“${name}” is`}
            value={lifterOf(name)}
            options={[
              ['', 'nobody: leave the rows out'],
              ...lifters.data.map((each) => [each.id, each.name] as const),
            ]}
            onChange={changed((value: string) => setWho({ ...who, [name]: value }))}
          />
        ))}
      </div>
      {(preview.error ?? bring.error) && <Failed error={preview.error ?? bring.error} />}
      {preview.data && <Found found={preview.data} />}
      <div className="flex flex-wrap gap-3">
        <Button
          look={preview.data ? 'plain' : 'action'}
          disabled={missing.length > 0 || !venueId || preview.isPending || bring.isPending}
          onClick={() => preview.mutate(body())}
        >
          {preview.isPending ? 'Reading every row …' : 'Look at the rows'}
        </Button>
        {preview.data && preview.data.sets > 0 && (
          <Button
            look="action"
            disabled={bring.isPending}
            onClick={() =>
              bring.mutate(body(), {
                onSuccess: ({ done }) => {
                  say(`${done.sets.toLocaleString('en')} sets of ${file.name} are in the log.`);
                  onDone();
                },
              })
            }
          >
            {bring.isPending
              ? 'Bringing them in …'
              : `Bring in ${preview.data.sets.toLocaleString('en')} sets`}
          </Button>
        )}
        <Button disabled={bring.isPending} onClick={onDone}>
          Cancel
        </Button>
      </div>
    </section>
  );
}

/** What the server made of the rows: what would come in, and what is left out with why. */
function Found({ found }: { found: ImportPreview }): ReactElement {
  const habit = useDateHabit();
  const n = (value: number): string => value.toLocaleString('en');
  return (
    <div role="status" className="border-l-4 border-verdigris bg-raised px-4 py-3">
      <p className="text-lg">
        <b>
          {n(found.sets)} sets on {n(found.sessions)} days
        </b>
        {found.from && found.to && ` from ${writeDay(found.from, habit)} to ${writeDay(found.to, habit)}`}{' '}
        would come in.
        {found.known > 0 && ` ${n(found.known)} are in the log already.`}
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

/** Files that were brought in before, each taken back whole in one click. */
function Before(): ReactElement {
  const imports = useImports();
  return (
    <section aria-label="Brought in before" className="mt-8">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">Brought in before</h2>
      {imports.isPending && <Loading what="what was brought in" lines={3} />}
      {imports.error && !imports.data && (
        <Failed error={imports.error} retry={() => void imports.refetch()} />
      )}
      {imports.data?.imports.length === 0 && <p className="py-2 text-quiet">Nothing yet.</p>}
      <ul>
        {imports.data?.imports.map((each) => (
          <Done key={each.id} done={each} />
        ))}
      </ul>
    </section>
  );
}

function Done({ done }: { done: ImportView }): ReactElement {
  const undo = useUndoImport();
  return (
    <li className="flex min-h-11 flex-wrap items-center gap-x-4 border-b border-rule py-1">
      <span className="grow">
        <b>{done.name}</b>{' '}
        <span className="text-quiet">
          {done.sets.toLocaleString('en')} sets on {done.sessions.toLocaleString('en')} days,{' '}
          {format(parseISO(done.at), 'd MMM yyyy, HH:mm')}, by {done.by}
          {done.undone && `; undone by ${done.undone.by}`}
        </span>
      </span>
      {!done.undone && (
        <Button look="quiet" disabled={undo.isPending} onClick={() => undo.mutate(done.id)}>
          Undo
          <span className="sr-only"> the import of {done.name}</span>
        </Button>
      )}
      {undo.error && <Failed error={undo.error} />}
    </li>
  );
}
