import {
  CHALK_KINDS,
  KIT_NEED_NAMES,
  KIT_NEEDS,
  MASS_UNITS,
  STRAP_NAMES,
  STRAP_TYPES,
  type MassUnit,
  type VenueKit,
  CHALK_RULE_NAMES,
} from '@iron-clasp/core';
import { VenueRequest } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { FormEnd } from '../../ui/form-end.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { Select } from '../../ui/select.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { faultOf, newBar } from './kit-draft.ts';
import { Figure, Heights, MassField, Rows, Settings, Several, Words } from './venue-fields.tsx';
import { isStale } from '../../data/client.ts';
import { useKit, useSaveVenue } from '../../data/kit/kit.ts';

interface VenueEditorProps {
  readonly id: string;
  readonly version: number;
  readonly start: VenueKit;
  readonly onDone: (saved: boolean) => void;
}

/** Everything of a venue in one form. What cannot be used is said at its place before anything is sent. */
export function VenueEditor({ id, version, start, onDone }: VenueEditorProps): ReactElement {
  const [base, setBase] = useState(version);
  // Plates have no ids of their own; here each line needs one, to keep what is typed in it.
  const [first] = useState(() => ({
    kit: start,
    plates: start.plates.map((plate) => ({ ...plate, id: crypto.randomUUID() })),
  }));
  const save = useSaveVenue(id);
  const known = useKit();
  const {
    typed,
    set: put,
    fault,
    within,
    wrong,
    failed,
    onSubmit,
    sending,
  } = useRequestForm({
    request: VenueRequest,
    start: first,
    bodyOf: ({ kit, plates }: typeof first): VenueRequest => ({
      version: base,
      kit: { ...kit, plates: plates.map(({ id: _id, ...plate }) => plate) },
    }),
    check: (body) => faultOf(body.kit),
    send: (body) => save.mutateAsync(body),
    onSaved: () => onDone(true),
    // What was typed stays; saving again is then a decision against what the other editor wrote.
    onFailed: (error) => {
      if (!isStale(error)) return;
      void known.refetch().then(({ data }) => {
        const now = data?.venues.find((venue) => venue.id === id);
        if (now) setBase(now.version);
      });
    },
  });
  const { kit, plates } = typed;
  const set = (part: Partial<VenueKit>): void => put({ kit: { ...kit, ...part } });
  const at = (path: string): string | undefined => fault(`kit.${path}`);
  return (
    <form onSubmit={onSubmit} noValidate aria-label="Venue" className="grid max-w-4xl gap-6 pt-4">
      <div className="grid gap-4 sm:grid-cols-2">
        <Field
          label="Name"
          value={kit.name}
          maxLength={120}
          error={at('name')}
          onChange={(event) => set({ name: event.target.value })}
        />
        <Field
          label="Heat, humidity, and what else works on the hands"
          value={kit.note}
          maxLength={500}
          error={at('note')}
          onChange={(event) => set({ note: event.target.value })}
        />
      </div>
      <Choices
        legend="Chalk of the house"
        value={kit.chalk}
        options={CHALK_KINDS.map((kind) => [kind, CHALK_RULE_NAMES[kind]] as const)}
        onChange={(chalk) => set({ chalk })}
      />
      <Several
        legend="Straps at hand"
        any="any can be had"
        all={STRAP_TYPES}
        names={STRAP_NAMES}
        chosen={kit.straps}
        onChange={(straps) => set({ straps })}
      />
      <Rows
        title="Bars: the first is used unless a session says otherwise"
        one="bar"
        items={kit.bars}
        onChange={(bars) => set({ bars })}
        fresh={newBar}
        error={at('bars')}
      >
        {(bar, change, i) => (
          <>
            <Words
              label="Bar"
              value={bar.name}
              error={at(`bars[${i}].name`)}
              onChange={(name) => change({ name })}
            />
            <MassField
              label="Mass"
              kg={bar.mass}
              error={at(`bars[${i}].mass`)}
              onChange={(mass) => change({ mass })}
            />
            <Figure
              label="Diameter"
              unit="mm"
              value={bar.diameter}
              error={at(`bars[${i}].diameter`)}
              onChange={(diameter) => change({ diameter })}
            />
            <MassField
              label="Collars, both"
              kg={bar.collars}
              error={at(`bars[${i}].collars`)}
              onChange={(collars) => change({ collars })}
            />
            <Figure
              label="Brush every, sets"
              value={bar.brushEvery}
              error={at(`bars[${i}].brushEvery`)}
              onChange={(brushEvery) => change({ brushEvery })}
            />
          </>
        )}
      </Rows>
      <Rows
        title="Plates"
        one="plate"
        columns
        items={plates}
        onChange={(next) => put({ plates: [...next] })}
        fresh={() => ({ id: crypto.randomUUID(), mass: Number.NaN, unit: 'kg' as MassUnit, pairs: 1 })}
        error={at('plates')}
      >
        {(plate, change, i) => (
          <>
            <Figure
              label="Plate"
              value={plate.mass}
              error={at(`plates[${i}].mass`) ?? at(`plates[${i}]`)}
              onChange={(mass) => change({ mass })}
            />
            <Select
              label="Unit"
              value={plate.unit}
              options={MASS_UNITS.map((each) => [each, each] as const)}
              onChange={(unit) => change({ unit })}
            />
            <Figure
              label="Pairs"
              value={plate.pairs}
              error={at(`plates[${i}].pairs`)}
              onChange={(pairs) => change({ pairs })}
            />
          </>
        )}
      </Rows>
      <Rows
        title="Handles: carry handles, thick handles, what else a hand closes on"
        one="handle"
        items={kit.handles}
        onChange={(handles) => set({ handles })}
        fresh={() => ({ id: crypto.randomUUID(), name: '', diameter: 60, mass: 0 })}
      >
        {(handle, change, i) => (
          <>
            <Words
              label="Handle"
              value={handle.name}
              error={at(`handles[${i}].name`)}
              onChange={(name) => change({ name })}
            />
            <Figure
              label="Diameter"
              unit="mm"
              value={handle.diameter}
              error={at(`handles[${i}].diameter`)}
              onChange={(diameter) => change({ diameter })}
            />
            <MassField
              label="Mass"
              kg={handle.mass}
              error={at(`handles[${i}].mass`)}
              onChange={(mass) => change({ mass })}
            />
          </>
        )}
      </Rows>
      <Rows
        title="Grippers by measured resistance; left empty where nobody has measured it"
        one="gripper"
        items={kit.grippers}
        onChange={(grippers) => set({ grippers })}
        fresh={() => ({ id: crypto.randomUUID(), name: '', resistance: null })}
      >
        {(gripper, change, i) => (
          <>
            <Words
              label="Gripper"
              value={gripper.name}
              error={at(`grippers[${i}].name`)}
              onChange={(name) => change({ name })}
            />
            <MassField
              label="Resistance"
              kg={gripper.resistance}
              error={at(`grippers[${i}].resistance`)}
              onEmpty={() => change({ resistance: null })}
              onChange={(resistance) => change({ resistance })}
            />
          </>
        )}
      </Rows>
      <Rows
        title="Racks with their pins"
        one="rack"
        items={kit.racks}
        onChange={(racks) => set({ racks })}
        fresh={() => ({ id: crypto.randomUUID(), name: 'Rack', pinHeights: [] })}
      >
        {(rack, change, i) => (
          <>
            <Words
              label="Rack"
              value={rack.name}
              error={at(`racks[${i}].name`)}
              onChange={(name) => change({ name })}
            />
            <Heights
              heights={rack.pinHeights}
              error={within(`kit.racks[${i}].pinHeights`)}
              onChange={(pinHeights) => change({ pinHeights })}
            />
          </>
        )}
      </Rows>
      <Rows
        title="Dynamometers"
        one="dynamometer"
        items={kit.dynamometers}
        onChange={(dynamometers) => set({ dynamometers })}
        fresh={() => ({ id: crypto.randomUUID(), name: '', settings: [] })}
      >
        {(each, change, i) => (
          <>
            <Words
              label="Dynamometer"
              value={each.name}
              error={at(`dynamometers[${i}].name`)}
              onChange={(name) => change({ name })}
            />
            <Settings
              settings={each.settings}
              error={within(`kit.dynamometers[${i}].settings`)}
              onChange={(settings) => change({ settings })}
            />
          </>
        )}
      </Rows>
      <Several
        legend="Also here"
        any="not listed: nothing is missed"
        all={KIT_NEEDS}
        names={KIT_NEED_NAMES}
        chosen={kit.has}
        onChange={(has) => set({ has })}
      />
      <FormEnd
        failed={failed}
        sending={sending}
        wrong={wrong && { ...wrong, path: wrong.path.replace(/^kit\./, '') }}
        named
        action={isStale(failed) ? 'Save mine over theirs' : 'Save'}
        onCancel={() => onDone(false)}
      />
    </form>
  );
}
