import {
  GRIP_CHOICES,
  GRIP_NAMES,
  SIDES,
  type GripChoice,
  type ReasonRank,
  type Side,
} from '@iron-clasp/core';
import { OverrideRequest, type CalledSet, type OverrideView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useEffect, useRef, type ReactElement } from 'react';
import { Controller, useWatch } from 'react-hook-form';
import type { ApiError } from '../../data/client.ts';
import { Button } from '../../ui/button.tsx';
import { FormEnd } from '../../ui/form-end.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Checkbox } from '../../ui/checkbox.tsx';
import { Caution, Failed } from '../../ui/states.tsx';
import { useOverride, useUndoOverride } from '../../data/training/calls.ts';

interface DecideProps {
  readonly set: CalledSet;
  /** The sets that stand on the same line: they are decided together. */
  readonly ids: readonly string[];
  readonly sessionId: string;
}

/** The coach's own decision for a line of the sheet: what is in force, what went before, and how to decide anew. */
export function Decide({
  set,
  ids,
  sessionId,
  open,
  onOpen,
}: DecideProps & { readonly open: boolean; readonly onOpen: (open: boolean) => void }): ReactElement {
  const undo = useUndoOverride(sessionId);
  const { override, overrides } = set;
  const earlier = overrides.filter((each) => each.id !== override?.id);
  return (
    <div className="grid gap-3">
      {override ? (
        <div className="border-l-4 border-forge pl-3">
          <p>
            <b>{said(override)}</b>: {override.reason}
          </p>
          <p className="text-sm text-quiet">
            {override.by}, {when(override.at)}
            {override.repeats && ' · repeats with the week'}
            {!set.call.overridden && ' · no longer followed: a rule bars it today'}
          </p>
          <Button className="mt-2" disabled={undo.isPending} onClick={() => undo.mutate(override.id)}>
            Undo
          </Button>
        </div>
      ) : (
        <p className="text-quiet">The call stands as it is.</p>
      )}
      {undo.error && <Failed error={undo.error} />}
      {open ? (
        <DecideForm set={set} ids={ids} sessionId={sessionId} onDone={() => onOpen(false)} />
      ) : (
        <Button className="justify-self-start" onClick={() => onOpen(true)}>
          Decide otherwise
        </Button>
      )}
      {earlier.length > 0 && (
        <details>
          <summary className="text-sm text-quiet">Earlier decisions ({earlier.length})</summary>
          <ul className="mt-2 grid gap-1.5 text-sm">
            {earlier.map((each) => (
              <li key={each.id}>
                {said(each)}: {each.reason} ({each.by}, {when(each.at)}
                {each.undone && `; taken back by ${each.undone.by}, ${when(each.undone.at)}`})
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

function said({ choice, sideUnder }: OverrideView): string {
  return sideUnder ? `${GRIP_NAMES[choice]}, ${sideUnder} under` : GRIP_NAMES[choice];
}

function when(at: string): string {
  return format(parseISO(at), 'EEE d MMM, HH:mm');
}

/** Ranks of reasons that outrank the coach. */
const NOT_OVERRIDDEN: readonly ReasonRank[] = ['safety', 'event', 'venue', 'lift'];

function DecideForm({
  set,
  ids,
  sessionId,
  onDone,
}: DecideProps & { readonly onDone: () => void }): ReactElement {
  const decide = useOverride(sessionId);
  // What a rule bars that nobody may override is not offered; what only the stage or the school speaks against is, with its word.
  const offered = GRIP_CHOICES.filter((each) => {
    const known = set.call.alternatives.grips.find(({ choice }) => choice === each);
    return !known || known.permitted || !NOT_OVERRIDDEN.includes(known.why.rank);
  });
  // One id a form: sent again after a lost answer it is still the same decision.
  const id = useRef(crypto.randomUUID());
  const { form, field, onSubmit, failed, sending } = useRequestForm({
    request: OverrideRequest,
    start: {
      choice: (offered.find((each) => each !== set.call.choice) ?? 'doubleOverhand') as GripChoice,
      side: 'ledger' as Side | 'ledger',
      reason: '',
      repeats: false,
    },
    bodyOf: ({ choice, side, reason, repeats }): OverrideRequest => ({
      ...{ plannedSetIds: [...ids], choice, reason: reason.trim() },
      ...(repeats && { repeats }),
      ...(choice === 'mixed' && side !== 'ledger' && { sideUnder: side }),
    }),
    send: (body) =>
      decide.mutateAsync({ id: id.current, body }).catch((error: ApiError) => {
        // A refusal keeps what was typed; the next try is another decision.
        if (!error.passing) id.current = crypto.randomUUID();
        throw error;
      }),
    onSaved: onDone,
  });
  const choice = useWatch({ control: form.control, name: 'choice' });
  const mixed = choice === 'mixed';
  const against = set.call.alternatives.grips.find((each) => each.choice === choice && !each.permitted);
  const self = useRef<HTMLFormElement>(null);
  // By key it goes on with the first choice; the row gets the focus back when the drawer closes.
  useEffect(() => self.current?.querySelector<HTMLElement>('[role=radio][data-state=checked]')?.focus(), []);
  return (
    <form
      ref={self}
      onSubmit={onSubmit}
      noValidate
      className="grid gap-3"
      aria-label="Decide otherwise"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        onDone();
      }}
    >
      <Controller
        control={form.control}
        name="choice"
        render={({ field: { value, onChange } }) => (
          <Choices
            legend={ids.length > 1 ? `For these ${ids.length} sets` : 'For this set'}
            value={value}
            options={offered.map((each) => [each, GRIP_NAMES[each]] as const)}
            onChange={onChange}
          />
        )}
      />
      {against && <Caution>{against.why.text}</Caution>}
      {mixed && (
        <Controller
          control={form.control}
          name="side"
          render={({ field: { value, onChange } }) => (
            <Choices
              legend="Turned under"
              value={value}
              options={[['ledger', 'by the ledger'], ...SIDES.map((each) => [each, each] as const)]}
              onChange={onChange}
            />
          )}
        />
      )}
      <Field label="Why" maxLength={300} placeholder="kept with the call" {...field('reason')} />
      <Controller
        control={form.control}
        name="repeats"
        render={({ field: { value, onChange } }) => (
          <Checkbox checked={value} onChange={onChange}>
            also in the weeks that repeat this session
          </Checkbox>
        )}
      />
      <FormEnd failed={failed} sending={sending} action="Decide" onCancel={onDone} />
    </form>
  );
}
