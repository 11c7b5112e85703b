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
import { useState, type FormEvent, type ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { Select } from '../../ui/select.tsx';
import { Failed } from '../../ui/states.tsx';
import { faultOf, newBar } from './kit-draft.ts';
import { Figure, Heights, MassField, Rows, Settings, Several, Words } from './venue-fields.tsx';
import { useKit, useSaveVenue } from '../../data/kit/kit.ts';

interface VenueEditorProps {
  readonly id: string;
  readonly version: number;
  readonly start: VenueKit;
  readonly onDone: (saved: boolean) => void;
}

/** Everything of a venue in one form. What cannot be used is said at its place before anything is sent. */
export function VenueEditor({ id, version, start, onDone }: VenueEditorProps): ReactElement {
  const [rest, setKit] = useState(start);
  // Plates have no ids of their own; here each line needs one, to keep what is typed in it.
  const [plates, setPlates] = useState(() =>
    start.plates.map((plate) => ({ ...plate, id: crypto.randomUUID() })),
  );
  const kit: VenueKit = { ...rest, plates: plates.map(({ id: _id, ...plate }) => plate) };
  const [base, setBase] = useState(version);
  const [fault, setFault] = useState<ReturnType<typeof faultOf>>(null);
  const save = useSaveVenue(id);
  const known = useKit();
  const set = (part: Partial<VenueKit>): void => setKit({ ...kit, ...part });
  const send = (event: FormEvent): void => {
    event.preventDefault();
    const found = faultOf(kit);
    setFault(found);
    if (found) return;
    save.mutate(
      { version: base, kit },
      {
        onSuccess: () => onDone(true),
        // What was typed stays; saving again is then a decision against what the other editor wrote.
        onError: (error) => {
          if (error.code !== 'changed-meanwhile') return;
          void known.refetch().then(({ data }) => {
            const now = data?.venues.find((venue) => venue.id === id);
            if (now) setBase(now.version);
          });
        },
      },
    );
  };
  const at = (path: string): string | undefined => (fault?.path === path ? fault.message : undefined);
  return (
    <form onSubmit={send} noValidate aria-label="Venue" className="grid max-w-4xl gap-6 pt-4">
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
        onChange={(next) => setPlates([...next])}
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
              error={fault?.path.startsWith(`racks[${i}].pinHeights`) ? fault.message : undefined}
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
              error={fault?.path.startsWith(`dynamometers[${i}].settings`) ? fault.message : undefined}
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
      {fault && (
        <p role="alert" className="text-oxblood">
          Not saved yet: {fault.path} {fault.message.charAt(0).toLowerCase() + fault.message.slice(1)}
        </p>
      )}
      {save.error && <Failed error={save.error} />}
      <div className="flex gap-2">
        <Button type="submit" look="action" disabled={save.isPending}>
          {save.error?.code === 'changed-meanwhile' ? 'Save mine over theirs' : 'Save'}
        </Button>
        <Button onClick={() => onDone(false)}>Cancel</Button>
      </div>
    </form>
  );
}
