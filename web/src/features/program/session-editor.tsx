import { parseSetLine, planFaults, type HoldKindId } from '@iron-clasp/core';
import {
  SessionRequest,
  type LifterView,
  type SessionPlanView,
  type VenueChoice,
} from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { FormEnd } from '../../ui/form-end.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Caution, Failed, Loading } from '../../ui/states.tsx';
import { useVenues } from '../../data/kit/kit.ts';
import { maxesOf, Read } from './line-read.tsx';
import { useLinePreview, useSaveSessions } from '../../data/training/programs.ts';
import { Checkbox } from '../../ui/checkbox.tsx';
import { DropIn } from './drop-in.tsx';
import { SessionHolds } from './session-holds.tsx';
import { linesOf, row, rowsOf, WrittenLines, type Row } from './written-lines.tsx';
import { Select } from '../../ui/select.tsx';
import { DateField } from '../../ui/date-field.tsx';
import { DraftNote } from '../../ui/draft-note.tsx';
import { useDraft } from '../../offline/drafts.ts';

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
    rows: start ? rowsOf(start.lines) : [row()],
  };
}

/** Names the draft of a session; a copy has one of its own. */
export const draftName = (lifterId: string, start: SessionPlanView | null): string =>
  `session.${lifterId}.${start ? start.id || `copy of ${start.title} ${start.heldOn}` : 'new'}`;

/** An empty line gives way to what is dropped in. */
const isWritten = (each: Row): boolean => each.text.trim() !== '';

/** A session line by line. */
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
  const { typed, set, restart, leave, fault, wrong, onSubmit, failed, sending } = useRequestForm({
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
        lines: linesOf(rows),
        // Left out for the first one.
        ...(place?.bars.slice(1).some((each) => each.id === barId) && { barId }),
        ...(later && { later }),
      };
    },
    send: (body, { id }) => save.mutateAsync([{ id, body }]),
    onSaved: onDone,
    onLeave: onDone,
  });
  const { title, heldOn, venueId, barId, later, holds, rehearsesMeet, rows } = typed;
  const setRows = (now: readonly Row[]): void => set({ rows: now });
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
  if (start?.started)
    return (
      <p className="border-l-4 border-ochre pl-3">
        Something of “{start.title}” is already logged, so it is history now. Copy it to another day and
        change the copy.
      </p>
    );
  return (
    <form onSubmit={onSubmit} noValidate aria-label="Session" className="grid gap-4">
      {draft.found && <DraftNote at={draft.found.at} onDiscard={() => restart(contentOf(start, on))} />}
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
          <WrittenLines
            rows={rows}
            onRows={setRows}
            below={(each, i, id) => (
              <Read
                id={id}
                row={each}
                lifter={lifter}
                unit={unit}
                refused={fault(`lines[${i}].text`) ?? fault(`lines[${i}].liftId`)}
                preview={preview?.lines[i]}
              />
            )}
          >
            <Checkbox checked={rehearsesMeet} onChange={(checked) => set({ rehearsesMeet: checked })}>
              rehearses the meet: its rules bind
            </Checkbox>
          </WrittenLines>
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
      <FormEnd failed={failed} sending={sending} wrong={wrong} onCancel={leave} />
    </form>
  );
}
