import {
  GRIP_CHOICES,
  GRIP_NAMES,
  LIFTS,
  SLIP_CAUSES,
  SET_ROLE_TAGS,
  LOAD_MEANING_NAMES,
} from '@iron-clasp/core';
import type { LogEntry } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useState, type ReactElement } from 'react';
import { useSearchParams } from 'react-router';
import { useUnit } from '../../data/session/use-unit.ts';
import { CorrectEntry } from './correct-entry.tsx';
import { Button } from '../../ui/button.tsx';
import { formatMass } from '../../ui/figures.ts';
import { LongList } from '../../ui/long-list.tsx';
import { Mistakes } from '../../ui/mistakes.tsx';
import { Select } from '../../ui/select.tsx';
import { Empty, Failed, Loading } from '../../ui/states.tsx';
import { saveCsv, type Table } from '../../ui/table-file.ts';
import { useNearEnd } from '../../ui/use-near-end.ts';
import { useOpenSheet } from '../../data/lifters/use-open-sheet.ts';
import { useLog, useMistakes } from '../../data/log/log.ts';
import { Checkbox } from '../../ui/checkbox.tsx';

/** The lifter's history day by day, narrowed by lift, grip, kind and slips; an entry is put right where it stands. */
export function Log(): ReactElement {
  const { lifter } = useOpenSheet();
  const [search, setSearch] = useSearchParams();
  const log = useLog(lifter.id, search.toString());
  const [open, setOpen] = useState<string | null>(null);
  const more = useNearEnd(() => void log.fetchNextPage(), log.hasNextPage && !log.isFetchingNextPage);
  const narrow = (name: string, value: string): void => {
    const next = new URLSearchParams(search);
    if (value) next.set(name, value);
    else next.delete(name);
    setSearch(next, { replace: true });
  };
  const days = byDay(log.data?.pages.flatMap((page) => page.entries) ?? []);
  const mistakes = useMistakes(lifter.id);
  return (
    <div className="py-4">
      <Mistakes found={mistakes.data?.mistakes ?? []} />
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <Select
          label="Lift"
          value={search.get('lift') ?? ''}
          options={[['', 'every lift'], ...LIFTS.map((lift) => [lift.id, lift.name] as const)]}
          onChange={(value) => narrow('lift', value)}
        />
        <Select
          label="Grip"
          value={search.get('grip') ?? ''}
          options={[['', 'every grip'], ...GRIP_CHOICES.map((grip) => [grip, GRIP_NAMES[grip]] as const)]}
          onChange={(value) => narrow('grip', value)}
        />
        <Select
          label="Kind"
          value={search.get('kind') ?? ''}
          options={[
            ['', 'sets and holds'],
            ['set', 'sets'],
            ['hold', 'holds'],
          ]}
          onChange={(value) => narrow('kind', value)}
        />
        <Checkbox
          checked={search.get('slipped') === 'yes'}
          onChange={(checked) => narrow('slipped', checked ? 'yes' : '')}
        >
          slips only
        </Checkbox>
        <Checkbox
          checked={search.get('undone') === 'yes'}
          onChange={(checked) => narrow('undone', checked ? 'yes' : '')}
        >
          undone
        </Checkbox>
        <SaveLog log={log} name={`log of ${lifter.name}`} />
      </div>
      {log.isPending && <Loading what="the log" lines={12} />}
      {log.error && <Failed error={log.error} retry={() => void log.refetch()} />}
      {log.data && days.length === 0 && (
        <Empty title={search.size > 0 ? 'Nothing fits' : 'Nothing is logged yet'}>
          <p>
            {search.size > 0
              ? 'No entry of the log fits what is chosen above.'
              : 'Sets and holds stand here as soon as they are logged on the floor.'}
          </p>
        </Empty>
      )}
      <LongList
        items={days}
        keyOf={(each) => each.key}
        height={({ entries, note }) => 61 + 37 * entries.length + (note ? 34 : 0)}
        held={days.find(({ entries }) => entries.some((entry) => entry.id === open))?.key ?? null}
      >
        {({ day, title, note, entries }) => (
          <section aria-label={`${title}, ${day}`} className="pt-5">
            <h2 className="border-b-2 border-ink pb-1 text-xl">
              {format(parseISO(day), 'EEE d MMMM yyyy')} <span className="text-quiet">{title}</span>
            </h2>
            {note && <p className="border-l-4 border-verdigris py-1 pl-3">{note}</p>}
            <ul>
              {entries.map((entry) => (
                <li key={entry.id} className="border-b border-rule">
                  <Entry
                    entry={entry}
                    onOpen={() => setOpen(open === entry.id ? null : entry.id)}
                    open={open === entry.id}
                  />
                  {open === entry.id && !entry.undone && (
                    <CorrectEntry lifterId={lifter.id} entry={entry} onDone={() => setOpen(null)} />
                  )}
                </li>
              ))}
            </ul>
          </section>
        )}
      </LongList>
      {log.hasNextPage && (
        <p ref={more} className="py-4">
          <Button disabled={log.isFetchingNextPage} onClick={() => void log.fetchNextPage()}>
            Earlier
          </Button>
        </p>
      )}
    </div>
  );
}

/** Saves every entry that fits, those not read yet too. */
function SaveLog({ log, name }: { log: ReturnType<typeof useLog>; name: string }): ReactElement | null {
  const [gathering, setGathering] = useState(false);
  if (!log.data || log.data.pages[0]!.entries.length === 0) return null;
  const save = async (): Promise<void> => {
    setGathering(true);
    let seen = log.data!;
    let more = log.hasNextPage;
    while (more) {
      const next = await log.fetchNextPage();
      if (!next.data || next.isError) break;
      seen = next.data;
      more = next.hasNextPage;
    }
    setGathering(false);
    // What could not be fetched is said by the page: half a log is not saved as a whole one.
    if (!more) saveCsv(name, logTable(seen.pages.flatMap((page) => page.entries)));
  };
  return (
    <Button look="quiet" className="ml-auto" disabled={gathering} onClick={() => void save()}>
      {gathering ? 'Gathering …' : 'Save as CSV'}
    </Button>
  );
}

function logTable(entries: readonly LogEntry[]): Table {
  return {
    head: [
      'day',
      'lift',
      'role',
      'load (kg)',
      'reps',
      'seconds',
      'grip',
      'side under',
      'straps',
      'chalk',
      'slipped',
      'pain',
      'confidence',
      'note',
    ],
    rows: entries.map((each) => [
      each.day,
      each.liftName,
      each.role,
      each.load,
      each.reps,
      each.seconds,
      each.gripped ? each.grip : '',
      each.sideUnder,
      each.strapped ? 'yes' : 'no',
      each.chalk,
      each.slippedAtRep !== null
        ? `repetition ${each.slippedAtRep}`
        : each.ended === 'slipped'
          ? 'yes'
          : 'no',
      each.pain,
      each.confidence,
      each.note,
    ]),
  };
}

interface Day {
  readonly key: string;
  readonly day: string;
  readonly title: string;
  readonly note: string | null;
  readonly entries: LogEntry[];
}

function byDay(entries: readonly LogEntry[]): Day[] {
  const days: Day[] = [];
  for (const entry of entries) {
    const last = days.at(-1);
    if (last?.key === entry.sessionId) last.entries.push(entry);
    else
      days.push({
        key: entry.sessionId,
        day: entry.day,
        title: entry.title,
        note: entry.noteToLifter,
        entries: [entry],
      });
  }
  return days;
}

function Entry({
  entry,
  open,
  onOpen,
}: {
  entry: LogEntry;
  open: boolean;
  onOpen: () => void;
}): ReactElement {
  const unit = useUnit();
  const slipped = entry.slippedAtRep !== null || entry.ended === 'slipped';
  const cause = SLIP_CAUSES.find((each) => each.id === entry.cause)?.cause;
  const said = [
    ...(entry.gripped ? [entry.strapped ? 'straps' : GRIP_NAMES[entry.grip]] : []),
    ...(entry.sideUnder ? [`${entry.sideUnder} under`] : []),
    ...(!entry.gripped
      ? []
      : entry.chalk === 'none'
        ? ['no chalk']
        : entry.chalk === 'liquid'
          ? ['liquid chalk']
          : []),
    ...(entry.pain ? [`pain ${entry.pain}`] : []),
    ...(entry.confidence ? [`confidence ${entry.confidence} of 5`] : []),
  ];
  return (
    <button
      type="button"
      aria-expanded={open}
      onClick={onOpen}
      className="grid w-full grid-cols-[minmax(0,1fr)_auto] gap-x-4 py-1 text-left hover:bg-raised sm:grid-cols-[14rem_9rem_minmax(0,1fr)]"
    >
      <span>
        {[entry.liftName, LOAD_MEANING_NAMES[entry.loadMeans]].filter(Boolean).join(', ')}
        {entry.role && <span className="text-quiet">, {SET_ROLE_TAGS[entry.role]}</span>}
      </span>
      <span className="figures text-lg">
        {formatMass(entry.load, unit)} ×{' '}
        {entry.kind === 'hold' || entry.seconds ? `${entry.seconds!.toFixed(1)} s` : entry.reps}
      </span>
      <span className="col-span-2 sm:col-span-1">
        {said.join(', ')}
        {slipped && (
          <b className="text-oxblood">, slipped{entry.slippedAtRep ? ` at ${entry.slippedAtRep}` : ''}</b>
        )}
        {(cause ?? entry.note) && (
          <span className="block text-sm text-quiet">{[cause, entry.note].filter(Boolean).join(' ')}</span>
        )}
        {entry.undone && (
          <span className="block text-sm text-ochre">
            undone {entry.undone.by && `by ${entry.undone.by}, `}
            {format(parseISO(entry.undone.at), 'd MMM yyyy HH:mm')}: it counts no more
          </span>
        )}
        {entry.corrections.map((correction) => (
          <span key={correction.at} className="block text-sm text-ochre">
            put right by {correction.by ?? 'somebody'}, {format(parseISO(correction.at), 'd MMM HH:mm')}; it
            was{' '}
            {Object.entries(correction.before)
              .map(([field, value]) => `${FIELD_WORDS[field] ?? field} ${was(field, value, unit)}`)
              .join(', ')}
          </span>
        ))}
      </span>
    </button>
  );
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  load: 'load',
  reps: 'repetitions',
  seconds: 'seconds',
  slippedAtRep: 'slip',
  ended: 'ending',
  strapped: 'straps',
  grip: 'grip',
  note: 'note',
};

function was(field: string, value: unknown, unit: 'kg' | 'lb'): string {
  if (field === 'load') return formatMass(Number(value), unit);
  if (value === null) return 'none';
  return typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value);
}
