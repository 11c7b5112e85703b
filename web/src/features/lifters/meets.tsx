import { findLift, LIFTS } from '@iron-clasp/core';
import { MeetRequest, type MeetView, type ProfileView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useState, type ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { FormEnd } from '../../ui/form-end.tsx';
import { Field } from '../../ui/field.tsx';
import { formatMass, inUnit, typedMass, typedNumber } from '../../ui/figures.ts';
import { useRequestForm } from '../../ui/request-form.ts';
import { Failed } from '../../ui/states.tsx';
import { useMeet } from '../../data/lifters/lifters.ts';
import { Select } from '../../ui/select.tsx';
import { Checkbox } from '../../ui/checkbox.tsx';
import { DateField } from '../../ui/date-field.tsx';
import { DraftNote } from '../../ui/draft-note.tsx';
import { useDraft } from '../../offline/drafts.ts';

const SWITCHES = [
  ['straps', 'straps'],
  ['thumbTape', 'thumb tape'],
  ['liquidChalk', 'liquid chalk'],
] as const;

/** The contests to come, each with the rules of its day and the planned attempts. */
export function Meets({ profile }: { profile: ProfileView }): ReactElement {
  const unit = useUnit();
  const [open, setOpen] = useState<string | null>(null);
  const remove = useMeet(profile.id);
  return (
    <section aria-label="Meets">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Meets</h2>
      {profile.meets.length === 0 && open === null && (
        <p className="py-2 text-quiet">None is planned: no rules of an event apply.</p>
      )}
      <ul>
        {profile.meets.map((meet) => (
          <li key={meet.id} className="border-b border-rule py-2">
            {open === meet.id ? (
              <MeetForm profile={profile} meet={meet} onDone={() => setOpen(null)} />
            ) : (
              <div className="flex flex-wrap items-center gap-x-3">
                <span className="grow">
                  <b>{meet.name}</b>, {format(parseISO(meet.heldOn), 'EEE d MMM yyyy')}
                  <span className="block text-sm text-quiet">
                    {SWITCHES.map(([key, words]) => `${words} ${meet[key] ? 'allowed' : 'barred'}`).join(
                      ' · ',
                    )}
                    {meet.place && ` · ${meet.place}`}
                    {meet.barDiameter && ` · bar ${meet.barDiameter} mm`}
                    {meet.events.map(
                      ({ liftId, straps, barDiameter }) =>
                        ` · ${findLift(liftId)?.name ?? liftId}: straps ${straps ? 'allowed' : 'barred'}${barDiameter ? `, bar ${barDiameter} mm` : ''}`,
                    )}
                    {meet.attempts.length > 0 &&
                      ` · attempts ${meet.attempts.map((each) => formatMass(each, unit)).join(', ')}`}
                  </span>
                </span>
                <Button look="quiet" aria-label={`Edit ${meet.name}`} onClick={() => setOpen(meet.id)}>
                  Edit
                </Button>
                <Button
                  look="quiet"
                  aria-label={`Remove ${meet.name}`}
                  disabled={remove.isPending}
                  onClick={() => remove.mutate({ id: meet.id, body: null })}
                >
                  Remove
                </Button>
              </div>
            )}
          </li>
        ))}
      </ul>
      {remove.error && <Failed error={remove.error} />}
      {open === 'new' ? (
        <MeetForm profile={profile} meet={null} onDone={() => setOpen(null)} />
      ) : (
        <Button className="mt-2" onClick={() => setOpen('new')}>
          New meet
        </Button>
      )}
    </section>
  );
}

/** The first lift that is no event yet. */
const nextLift = (events: Content['events']): string =>
  LIFTS.find((lift) => lift.grips && !events.some((each) => each.liftId === lift.id))!.id;

/** What stands in the form of a meet; attempts in the reader's unit, as typed. */
interface Content {
  readonly id: string;
  readonly name: string;
  readonly heldOn: string;
  readonly straps: boolean;
  readonly thumbTape: boolean;
  readonly liquidChalk: boolean;
  readonly place: string;
  /** mm, as typed. */
  readonly barDiameter: string;
  readonly attempts: string;
  readonly events: readonly {
    readonly liftId: string;
    readonly straps: boolean;
    /** mm, as typed; a draft of an older version has none. */
    readonly bar?: string;
  }[];
}

/** A figure as typed; null where none is. */
const typedOrNone = (text: string): number | null => (text.trim() === '' ? null : typedNumber(text));

function MeetForm({
  profile,
  meet,
  onDone,
}: {
  profile: ProfileView;
  meet: MeetView | null;
  onDone: () => void;
}): ReactElement {
  const unit = useUnit();
  const save = useMeet(profile.id);
  const written = (meet?.attempts ?? [])
    .map((each) => String(Number(inUnit(each, unit).toFixed(1))))
    .join(', ');
  const blank = (): Content => ({
    // One id a form: sent again after a lost answer it is still the same meet.
    id: meet?.id ?? crypto.randomUUID(),
    name: meet?.name ?? '',
    heldOn: meet?.heldOn ?? '',
    straps: meet?.straps ?? profile.sport === 'strongman',
    thumbTape: meet?.thumbTape ?? true,
    liquidChalk: meet?.liquidChalk ?? true,
    place: meet?.place ?? '',
    barDiameter: meet?.barDiameter ? String(meet.barDiameter) : '',
    attempts: written,
    events: (meet?.events ?? []).map(({ liftId, straps, barDiameter }) => ({
      ...{ liftId, straps, bar: barDiameter ? String(barDiameter) : '' },
    })),
  });
  const [start] = useState(blank);
  const draft = useDraft(`meet.${profile.id}.${meet?.id ?? 'new'}`, start, meet?.version ?? 0);
  const { typed, set, restart, leave, fault, within, onSubmit, failed, sending } = useRequestForm({
    request: MeetRequest,
    start,
    draft,
    bodyOf: ({
      name,
      heldOn,
      straps,
      thumbTape,
      liquidChalk,
      place,
      barDiameter,
      attempts,
      events,
    }: Content) => ({
      ...{ name, heldOn, straps, thumbTape, liquidChalk, place },
      barDiameter: typedOrNone(barDiameter),
      // What was not touched keeps its value, to the gram.
      attempts:
        attempts === written && meet
          ? [...meet.attempts]
          : attempts
              .split(/[\s;]+/)
              .filter((each) => each !== '')
              .map((each) => typedMass(each, unit)),
      events: events.map(({ liftId, straps: allowed, bar = '' }) => ({
        ...{ liftId, straps: allowed },
        barDiameter: typedOrNone(bar),
      })),
      version: draft.found?.version ?? meet?.version ?? 0,
    }),
    send: (body, { id }) => save.mutateAsync({ id, body }),
    onSaved: onDone,
    onLeave: onDone,
  });
  const { name, heldOn, straps, attempts, place, barDiameter, events } = typed;
  const setEvent = (at: number, part: Partial<Content['events'][number]>): void =>
    set({ events: events.map((each, i) => (i === at ? { ...each, ...part } : each)) });
  return (
    <form onSubmit={onSubmit} noValidate aria-label="Meet" className="grid gap-3 py-2">
      {draft.found && <DraftNote at={draft.found.at} onDiscard={() => restart(blank())} />}
      <div className="grid gap-3 sm:grid-cols-2">
        <Field
          label="Meet"
          value={name}
          maxLength={80}
          error={fault('name')}
          onChange={(event) => set({ name: event.target.value })}
        />
        <DateField
          label="Day of the meet"
          value={heldOn}
          error={fault('heldOn')}
          onChange={(day) => set({ heldOn: day })}
        />
      </div>
      <div className="grid gap-3 sm:grid-cols-2">
        <Field
          label="Place"
          value={place}
          maxLength={120}
          error={fault('place')}
          onChange={(event) => set({ place: event.target.value })}
        />
        <Field
          label="Diameter of the bar"
          unit="mm"
          inputMode="decimal"
          placeholder="29"
          value={barDiameter}
          error={fault('barDiameter')}
          onChange={(event) => set({ barDiameter: event.target.value })}
        />
      </div>
      <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
        <legend className="label">The rulebook of the day allows</legend>
        {SWITCHES.map(([key, words]) => (
          <Checkbox key={key} checked={typed[key]} onChange={(checked) => set({ [key]: checked })}>
            {words}
          </Checkbox>
        ))}
      </fieldset>
      <fieldset className="grid gap-2">
        <legend className="label">Events with a rule of their own on straps, or a bar of their own</legend>
        {events.map((each, i) => (
          <div key={i} className="flex flex-wrap items-end gap-3">
            <Select
              aria-label={`Event ${i + 1}`}
              value={each.liftId}
              error={fault(`events[${i}].liftId`)}
              options={LIFTS.map((lift) => [lift.id, lift.name] as const)}
              onChange={(liftId) => setEvent(i, { liftId })}
            />
            <Checkbox checked={each.straps} onChange={(allowed) => setEvent(i, { straps: allowed })}>
              straps allowed
            </Checkbox>
            <Field
              label={`Bar of event ${i + 1}`}
              unit="mm"
              inputMode="decimal"
              placeholder="the meet’s"
              className="w-36"
              value={each.bar ?? ''}
              error={fault(`events[${i}].barDiameter`)}
              onChange={(event) => setEvent(i, { bar: event.target.value })}
            />
            <Button look="quiet" onClick={() => set({ events: events.filter((_, at) => at !== i) })}>
              Remove<span className="sr-only"> event {i + 1}</span>
            </Button>
          </div>
        ))}
        {fault('events') && <p className="text-oxblood">{fault('events')}</p>}
        <Button
          className="justify-self-start"
          disabled={events.length >= 12}
          onClick={() => set({ events: [...events, { liftId: nextLift(events), straps: !straps }] })}
        >
          Add an event
        </Button>
      </fieldset>
      <Field
        label="Deadlift attempts, with a space between"
        unit={unit}
        inputMode="text"
        placeholder={unit === 'kg' ? '125 132.5 137.5' : '275 292 303'}
        value={attempts}
        error={within('attempts')}
        onChange={(event) => set({ attempts: event.target.value })}
      />
      <FormEnd failed={failed} sending={sending} onCancel={leave} />
    </form>
  );
}
