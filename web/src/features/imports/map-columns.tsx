import {
  FILE_FIELD_NAMES,
  FILE_FIELDS,
  FILE_KIND_NAMES,
  FILE_KINDS,
  unitOfWords,
  type DayOrder,
  type FileColumns,
  type FileKind,
  type MassUnit,
  type NoGripChoice,
} from '@iron-clasp/core';
import type { FileImportRequest } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { useBringIn, useImportPreview } from '../../data/imports/imports.ts';
import { useKeptHere } from '../../data/kept-here.ts';
import { useVenues } from '../../data/kit/kit.ts';
import { useEveryLifter } from '../../data/lifters/rack.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { useProtocols } from '../../data/squeeze/squeeze.ts';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Select } from '../../ui/select.tsx';
import { Caution, Failed, Loading } from '../../ui/states.tsx';
import { useToast } from '../../ui/toast.tsx';
import { FoundRows, UnderWay } from './found-rows.tsx';
import { saidThings, WHERE } from './import-words.ts';
import {
  columnName,
  columnsOf,
  daysOf,
  likelyKind,
  likelyLifter,
  namesIn,
  NOTHING_SAID,
  remembering,
  withColumn,
  type OpenedFile,
  type SaidBefore,
} from './mapping.ts';

const NO_GRIP: readonly (readonly [NoGripChoice, string])[] = [
  ['leaveOut', 'leave them out'],
  ['doubleOverhand', 'double overhand'],
  ['mixed', 'mixed'],
  ['hook', 'hook'],
  ['straps', 'straps'],
];
const ORDERS: readonly (readonly [DayOrder, string])[] = [
  ['dayFirst', 'day first: 24.11.'],
  ['monthFirst', 'month first: 11/24'],
];
const UNITS: readonly (readonly [MassUnit, string])[] = [
  ['kg', 'kg'],
  ['lb', 'lb'],
];
/** Columns of masses, by whose head the unit may be told. */
const MASSES = { training: 'load', lifters: 'best', grippers: undefined, squeeze: undefined } as const;

/** How a file is read, and what would come of it. */
export function Mapping({ file, onDone }: { file: OpenedFile; onDone: () => void }): ReactElement {
  const { table } = file;
  const reader = useUnit();
  const venues = useVenues();
  const lifters = useEveryLifter();
  const protocols = useProtocols();
  const [before, remember] = useKeptHere<SaidBefore>('import', NOTHING_SAID);
  const [kind, setKind] = useState<FileKind>(() => likelyKind(table));
  const [mapped, setMapped] = useState<Partial<Record<FileKind, FileColumns>>>({});
  const [unit, setUnit] = useState<MassUnit>(reader);
  const [said, setSaid] = useState<DayOrder>();
  const [noGrip, setNoGrip] = useState<NoGripChoice>('leaveOut');
  const [venue, setVenue] = useState<string>();
  const [protocol, setProtocol] = useState<string>();
  const [who, setWho] = useState<Readonly<Record<string, string>>>({});
  const [id] = useState(() => crypto.randomUUID());
  const preview = useImportPreview();
  const bring = useBringIn(id);
  const say = useToast();
  if (!venues.data || !lifters.data || !protocols.data)
    return <Loading what="venues and lifters" lines={4} />;
  const columns = mapped[kind] ?? columnsOf(file, kind, before);
  const { all, needed } = FILE_FIELDS[kind];
  const dated = all.includes('day');
  const habit = daysOf(table, columns);
  const order = said ?? habit.order;
  const masses = MASSES[kind];
  const headUnit =
    masses && unitOfWords(columns[masses] === undefined ? '' : (table.head[columns[masses]] ?? ''));
  const names = kind === 'lifters' ? [] : namesIn(table, columns);
  const known = (name: string): string | undefined =>
    lifters.data.find((each) => each.id === before.names[name.toLowerCase()])?.id;
  const lifterOf = (name: string): string =>
    who[name] ?? known(name) ?? likelyLifter(name, lifters.data) ?? '';
  const missing = needed.filter((field) => columns[field] === undefined);
  const venueId = venue ?? venues.data[0]?.id;
  const protocolId = protocol ?? protocols.data[0]?.id ?? '';
  const body = (): FileImportRequest => ({
    ...{ kind, text: file.text, name: file.name, columns: { ...columns }, unit, order, noGrip },
    ...(kind === 'training' && venueId && { venueId }),
    ...(kind === 'squeeze' && protocolId && { protocolId }),
    lifters: names.map((name) => ({ name, lifterId: lifterOf(name) || null })),
  });
  // What was looked at is only what it says while nothing about it is changed.
  const changed =
    <Value,>(set: (value: Value) => void) =>
    (value: Value): void => {
      preview.reset();
      set(value);
    };
  const ready = missing.length === 0 && (kind !== 'training' || venueId !== undefined);
  const look = (): void => {
    const sent = body();
    remember(remembering(before, file, kind, columns, sent.lifters));
    preview.mutate(sent);
  };
  return (
    <section aria-label="How it is read" className="mt-5 grid gap-4">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">
        {file.name}: {table.rows.length.toLocaleString('en')} rows
      </h2>
      <Choices
        legend="What it tells of"
        value={kind}
        options={FILE_KINDS.map((each) => [each, FILE_KIND_NAMES[each]] as const)}
        onChange={changed(setKind)}
      />
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
        {all.map((field) => (
          <Select
            key={field}
            label={FILE_FIELD_NAMES[field]}
            value={columns[field] === undefined ? '' : String(columns[field])}
            error={missing.includes(field) ? 'Choose its column.' : undefined}
            options={[
              ['', 'not in the file'],
              ...Array.from({ length: table.width }, (_, i) => [String(i), columnName(table, i)] as const),
            ]}
            onChange={changed((value: string) =>
              setMapped({
                ...mapped,
                [kind]: withColumn(columns, field, value === '' ? undefined : Number(value)),
              }),
            )}
          />
        ))}
      </div>
      {dated && !habit.certain && (
        <Caution>
          Every day of this file can be read with the day or the month first. Say which it is.
        </Caution>
      )}
      <div className="flex flex-wrap gap-x-8 gap-y-3">
        {dated && (
          <Choices legend="Days are written" value={order} options={ORDERS} onChange={changed(setSaid)} />
        )}
        {masses &&
          (headUnit ? (
            <p className="self-end pb-1.5">Loads are in {headUnit}, as the column says.</p>
          ) : (
            <Choices
              legend="Loads that name no unit"
              value={unit}
              options={UNITS}
              onChange={changed(setUnit)}
            />
          ))}
      </div>
      {kind === 'training' && (
        <Choices
          legend="Pulls of which the file says no grip"
          value={noGrip}
          options={NO_GRIP}
          onChange={changed(setNoGrip)}
        />
      )}
      <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        {kind === 'training' && (
          <Select
            label="Where it was done"
            value={venueId ?? ''}
            options={venues.data.map((each) => [each.id, each.name] as const)}
            onChange={changed(setVenue)}
          />
        )}
        {kind === 'squeeze' && (
          <Select
            label="How it was squeezed"
            value={protocolId}
            options={protocols.data.map((each) => [each.id ?? '', each.name] as const)}
            onChange={changed(setProtocol)}
          />
        )}
        {names.map((name) => (
          <Select
            key={name}
            label={name === '' ? 'Whose it is' : `“${name}” is`}
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
      {preview.data && <FoundRows kind={kind} found={preview.data} />}
      {bring.isPending ? (
        <UnderWay kind={kind} things={preview.data?.things ?? 0} bring={bring} />
      ) : (
        <div className="flex flex-wrap gap-3">
          <Button
            look={preview.data ? 'plain' : 'action'}
            disabled={!ready || preview.isPending}
            onClick={look}
          >
            {preview.isPending ? 'Reading every row …' : 'Look at the rows'}
          </Button>
          {preview.data && preview.data.things > 0 && (
            <Button
              look="action"
              onClick={() =>
                bring.mutate(body(), {
                  onSuccess: ({ done }) => {
                    say(
                      `${saidThings(kind, done.things)} of ${file.name} ${done.things === 1 ? 'is' : 'are'} ${WHERE[kind]}.`,
                    );
                    onDone();
                  },
                })
              }
            >
              Bring in {saidThings(kind, preview.data.things)}
            </Button>
          )}
          <Button onClick={onDone}>Cancel</Button>
        </div>
      )}
    </section>
  );
}
