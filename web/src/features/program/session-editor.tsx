import { LIFTS, parseSetLine, planFaults, type HoldKindId } from '@iron-clasp/core';
import {
  SessionRequest,
  type LifterView,
  type SessionPlanView,
  type VenueChoice,
} from '@iron-clasp/contract';
import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { useRef, useState, type KeyboardEvent, type ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Caution, Failed, NotSaved, Loading } from '../../ui/states.tsx';
import { useVenues } from '../../data/kit/kit.ts';
import { maxesOf, Read } from './line-read.tsx';
import { useLinePreview, useSaveSessions } from '../../data/training/programs.ts';
import { Checkbox } from '../../ui/checkbox.tsx';
import { DropIn } from './drop-in.tsx';
import { SessionHolds } from './session-holds.tsx';
import { Select } from '../../ui/select.tsx';
import { DateField } from '../../ui/date-field.tsx';
import { DraftNote } from '../../ui/draft-note.tsx';
import { useDraft } from '../../offline/drafts.ts';

interface Row {
  readonly key: string;
  readonly liftId: string;
  readonly text: string;
}

interface SessionEditorProps {
  readonly lifter: LifterView;
  /** Null for a new session; without an id a copy. */
  readonly start: SessionPlanView | null;
  readonly on: string;
  readonly onDone: () => void;
}

/** What stands in the editor. */
interface Content {
  readonly id: string;
  readonly title: string;
  readonly heldOn: string;
  readonly venueId: string;
  readonly barId: string;
  /** Change the later sessions that repeat this one, too. */
  readonly later: boolean;
  readonly holds: readonly HoldKindId[];
  readonly rehearsesMeet: boolean;
  readonly rows: readonly Row[];
}

/** A session as it is written, or an empty one. Its id is made once, so that saved twice it is still one session. */
function contentOf(start: SessionPlanView | null, on: string): Content {
  return {
    id: start?.id || crypto.randomUUID(),
    title: start?.title ?? '',
    heldOn: start?.heldOn ?? on,
    venueId: start?.venueId ?? '',
    barId: start?.barId ?? '',
    later: false,
    holds: start?.holds ?? [],
    rehearsesMeet: start?.rehearsesMeet ?? false,
    rows: start ? start.lines.map((line) => row(line.liftId, line.text)) : [row('deadlift.conventional')],
  };
}

/** Names the draft of a session; a copy has one of its own. */
export const draftName = (lifterId: string, start: SessionPlanView | null): string =>
  `session.${lifterId}.${start ? start.id || `copy of ${start.title} ${start.heldOn}` : 'new'}`;

const row = (liftId: string, text = ''): Row => ({ key: crypto.randomUUID(), liftId, text });

/** An empty line gives way to what is dropped in. */
const isWritten = (each: Row): boolean => each.text.trim() !== '';

/** A session line by line, by keyboard: Enter adds a line, Alt with the arrows moves it. */
export function SessionEditor({ lifter, start, on, onDone }: SessionEditorProps): ReactElement {
  const unit = useUnit();
  const venues = useVenues();
  const save = useSaveSessions(lifter.id);
  const [blank] = useState(() => contentOf(start, on));
  const draft = useDraft(draftName(lifter.id, start), blank, start?.version ?? 0);
  const placeOf = (venueId: string): VenueChoice | undefined =>
    venues.data?.find((venue) => venue.id === venueId) ??
    venues.data?.find((venue) => venue.id === lifter.usualVenueId) ??
    venues.data?.[0];
  const { typed, set, restart, fault, wrong, onSubmit, failed, sending } = useRequestForm({
    request: SessionRequest,
    start: blank,
    draft,
    bodyOf: ({
      title,
      heldOn,
      venueId,
      barId,
      later,
      holds,
      rehearsesMeet,
      rows,
    }: Content): SessionRequest => {
      const place = placeOf(venueId);
      return {
        ...{ title, heldOn, venueId: place?.id ?? '', holds: [...holds], rehearsesMeet },
        version: draft.found?.version ?? start?.version ?? 0,
        lines: rows.map(({ liftId, text }) => ({ liftId, text })),
        // Left out for the first one.
        ...(place?.bars.slice(1).some((each) => each.id === barId) && { barId }),
        ...(later && { later }),
      };
    },
    send: (body, { id }) => save.mutateAsync([{ id, body }]),
    onSaved: onDone,
  });
  const { title, heldOn, venueId, barId, later, holds, rehearsesMeet, rows } = typed;
  const setRows = (now: readonly Row[]): void => set({ rows: now });
  const list = useRef<HTMLOListElement>(null);
  const at = placeOf(venueId);
  const preview = useLinePreview(
    lifter.id,
    at
      ? {
          ...{ heldOn, venueId: at.id, rehearsesMeet: rehearsesMeet },
          ...(at.bars.some((each) => each.id === barId) && { barId }),
          lines: rows.map(({ liftId, text }) => ({ liftId, text: text.trim() === '' ? '-' : text })),
        }
      : null,
  );
  if (venues.isPending) return <Loading what="the venues" lines={4} />;
  if (venues.error) return <Failed error={venues.error} retry={() => void venues.refetch()} />;
  if (venues.data.length === 0)
    return <p className="text-quiet">The club has no venue yet, so a session has nowhere to be.</p>;
  const here = at!;
  const where = here.id;
  const bar = here.bars.find((each) => each.id === barId) ?? here.bars[0]!;
  const faults = planFaults(
    rows.flatMap(({ liftId, text }) => {
      const read =
        text.trim() === '' ? undefined : parseSetLine(text, { ...maxesOf(lifter), unit, lift: liftId });
      return (
        read?.sets?.flatMap(({ role, load: kg }) => (kg > 0 ? [{ lift: liftId, role, load: kg }] : [])) ?? []
      );
    }),
    {
      name: here.name,
      bar: bar.mass,
      collars: bar.collars,
      plates: here.plates,
      ...(here.has && { has: here.has }),
    },
  );
  const change = (at: number, part: Partial<Row>): void =>
    setRows(rows.map((each, i) => (i === at ? { ...each, ...part } : each)));
  const move = (from: number, to: number): void => {
    if (to < 0 || to >= rows.length) return;
    const moved = rows.filter((_, i) => i !== from);
    setRows([...moved.slice(0, to), rows[from]!, ...moved.slice(to)]);
  };
  const add = (after: number): void => {
    setRows([
      ...rows.slice(0, after + 1),
      row(rows[after]?.liftId ?? 'deadlift.conventional'),
      ...rows.slice(after + 1),
    ]);
    // The new line takes the focus once it is drawn.
    requestAnimationFrame(() =>
      list.current?.querySelectorAll<HTMLInputElement>('input')[after + 1]?.focus(),
    );
  };
  const onKey = (event: KeyboardEvent, at: number): void => {
    if (event.key === 'Enter') {
      event.preventDefault();
      add(at);
    }
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      move(at, at + (event.key === 'ArrowUp' ? -1 : 1));
    }
  };
  const discard = (): void => {
    const from = contentOf(start, on);
    draft.discard(from);
    restart(from);
  };
  if (start?.started)
    return (
      <p className="border-l-4 border-ochre pl-3">
        Something of “{start.title}” is already logged, so it is history now. Copy it to another day and
        change the copy.
      </p>
    );
  return (
    <form onSubmit={onSubmit} noValidate aria-label="Session" className="grid gap-4">
      {draft.found && <DraftNote at={draft.found.at} onDiscard={discard} />}
      <div className="grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
        <Field
          label="Title"
          value={title}
          maxLength={80}
          error={fault('title')}
          onChange={(event) => set({ title: event.target.value })}
        />
        <DateField
          label="Day"
          value={heldOn}
          error={fault('heldOn')}
          onChange={(day) => set({ heldOn: day })}
        />
        <Select
          label="Venue"
          value={where}
          options={venues.data.map((venue) => [venue.id, venue.name] as const)}
          onChange={(venue) => set({ venueId: venue })}
        />
        <Select
          label="Bar"
          value={bar.id}
          options={here.bars.map((each) => [each.id, each.name] as const)}
          onChange={(bar) => set({ barId: bar })}
        />
      </div>
      {faults.length > 0 && (
        <ul aria-label="What the venue cannot give" className="grid gap-1">
          {faults.map((each) => (
            <li key={`${each.set} ${each.ruleId}`}>
              <Caution>
                {each.text} {each.mend}
              </Caution>
            </li>
          ))}
        </ul>
      )}
      <div className="grid gap-x-8 gap-y-4 xl:grid-cols-[minmax(0,1fr)_17rem]">
        <div className="grid content-start gap-4">
          <ol ref={list} aria-label="Lines" className="grid gap-2">
            {rows.map((each, i) => (
              <li
                key={each.key}
                className="grid gap-x-2 gap-y-1 border-b border-rule pb-2 sm:grid-cols-[10rem_minmax(0,1fr)_auto]"
              >
                <Select
                  aria-label={`Line ${i + 1}: lift`}
                  value={each.liftId}
                  options={LIFTS.map((lift) => [lift.id, lift.name] as const)}
                  onChange={(liftId) => change(i, { liftId })}
                />
                <div className="min-w-0">
                  <input
                    aria-label={`Line ${i + 1}: sets`}
                    aria-describedby={`${each.key}-read`}
                    value={each.text}
                    maxLength={200}
                    placeholder="3x5 @ 75%"
                    autoComplete="off"
                    spellCheck={false}
                    onChange={(event) => change(i, { text: event.target.value })}
                    onKeyDown={(event) => onKey(event, i)}
                    className="control figures w-full text-lg placeholder:text-quiet"
                  />
                  <Read
                    id={`${each.key}-read`}
                    row={each}
                    lifter={lifter}
                    unit={unit}
                    refused={fault(`lines[${i}].text`) ?? fault(`lines[${i}].liftId`)}
                    preview={preview?.lines[i]}
                  />
                </div>
                <div className="flex items-start">
                  <Tool words={`Move line ${i + 1} up`} disabled={i === 0} onPress={() => move(i, i - 1)}>
                    <ArrowUp size={16} aria-hidden />
                  </Tool>
                  <Tool
                    words={`Move line ${i + 1} down`}
                    disabled={i === rows.length - 1}
                    onPress={() => move(i, i + 1)}
                  >
                    <ArrowDown size={16} aria-hidden />
                  </Tool>
                  <Tool
                    words={`Remove line ${i + 1}`}
                    disabled={false}
                    onPress={() => setRows(rows.filter((_, at) => at !== i))}
                  >
                    <X size={16} aria-hidden />
                  </Tool>
                </div>
              </li>
            ))}
          </ol>
          <div className="flex flex-wrap items-center gap-4">
            <Button onClick={() => add(rows.length - 1)}>Add a line</Button>
            <Checkbox checked={rehearsesMeet} onChange={(checked) => set({ rehearsesMeet: checked })}>
              rehearses the meet: its rules bind
            </Checkbox>
          </div>
          <SessionHolds kinds={holds} error={fault('holds')} onChange={(now) => set({ holds: now })} />
        </div>
        <DropIn
          lifterId={lifter.id}
          day={heldOn}
          lifts={rows.map((each) => each.liftId)}
          holds={holds}
          onLine={(liftId, text) => setRows([...rows.filter(isWritten), row(liftId, text)])}
          onHold={(kind) => set({ holds: [...holds, kind] })}
        />
      </div>
      {start !== null && start.later > 0 && (
        <Choices
          legend="Change"
          value={later ? 'later' : 'one'}
          options={[
            ['one', 'this week only'],
            ['later', `this week and the ${start.later} later that repeat it`],
          ]}
          onChange={(value) => set({ later: value === 'later' })}
        />
      )}
      {wrong && <NotSaved message={wrong.message} />}
      {failed && <Failed error={failed} />}
      <div className="flex gap-2">
        <Button type="submit" look="action" disabled={sending}>
          Save
        </Button>
        <Button
          onClick={() => {
            draft.done();
            onDone();
          }}
        >
          Cancel
        </Button>
      </div>
    </form>
  );
}

function Tool({
  words,
  disabled,
  onPress,
  children,
}: {
  words: string;
  disabled: boolean;
  onPress: () => void;
  children: ReactElement;
}): ReactElement {
  return (
    <button
      type="button"
      aria-label={words}
      disabled={disabled}
      onClick={onPress}
      className="p-2 hover:text-forge disabled:opacity-40"
    >
      {children}
    </button>
  );
}
