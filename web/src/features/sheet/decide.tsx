import { GRIP_CHOICES, GRIP_NAMES, SIDES, type GripChoice, type Side } from '@iron-clasp/core';
import type { CalledSet, OverrideView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useRef, useState, type FormEvent, type ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { Field } from '../../ui/field.tsx';
import { Failed } from '../../ui/states.tsx';
import { useOverride, useUndoOverride } from '../../data/training/calls.ts';

interface DecideProps {
  readonly set: CalledSet;
  /** The sets that stand on the same line: they are decided together. */
  readonly ids: readonly string[];
  readonly sessionId: string;
}

/** The coach's own decision for a line of the sheet: what is in force, what went before, and how to decide anew. */
export function Decide({ set, ids, sessionId }: DecideProps): ReactElement {
  const [open, setOpen] = useState(false);
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
        <DecideForm set={set} ids={ids} sessionId={sessionId} onDone={() => setOpen(false)} />
      ) : (
        <Button className="justify-self-start" onClick={() => setOpen(true)}>
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

function DecideForm({
  set,
  ids,
  sessionId,
  onDone,
}: DecideProps & { readonly onDone: () => void }): ReactElement {
  const decide = useOverride(sessionId);
  const [choice, setChoice] = useState<GripChoice>(
    set.call.alternatives.grips[0]?.choice ?? 'doubleOverhand',
  );
  const [side, setSide] = useState<Side | 'ledger'>('ledger');
  const [reason, setReason] = useState('');
  const [missing, setMissing] = useState(false);
  // One id a form: sent again after a lost answer it is still the same decision.
  const id = useRef(crypto.randomUUID());
  const send = (event: FormEvent): void => {
    event.preventDefault();
    setMissing(reason.trim().length < 3);
    if (reason.trim().length < 3) return;
    const body = {
      plannedSetIds: [...ids],
      choice,
      reason: reason.trim(),
      ...(choice === 'mixed' && side !== 'ledger' && { sideUnder: side }),
    };
    decide.mutate(
      { id: id.current, body },
      {
        onSuccess: onDone,
        // A refusal keeps what was typed; the next try is another decision.
        onError: (error) => (error.passing ? undefined : (id.current = crypto.randomUUID())),
      },
    );
  };
  return (
    <form onSubmit={send} noValidate className="grid gap-3" aria-label="Decide otherwise">
      <Choices
        legend={ids.length > 1 ? `For these ${ids.length} sets` : 'For this set'}
        value={choice}
        options={GRIP_CHOICES.map((each) => [each, GRIP_NAMES[each]] as const)}
        onChange={setChoice}
      />
      {choice === 'mixed' && (
        <Choices
          legend="Turned under"
          value={side}
          options={[['ledger', 'by the ledger'], ...SIDES.map((each) => [each, each] as const)]}
          onChange={setSide}
        />
      )}
      <Field
        label="Why"
        value={reason}
        maxLength={300}
        placeholder="kept with the call"
        onChange={(event) => setReason(event.target.value)}
        error={missing ? 'Say why in 3 to 300 characters: the reason is kept with the call.' : undefined}
      />
      {decide.error && <Failed error={decide.error} />}
      <div className="flex gap-2">
        <Button type="submit" look="action" disabled={decide.isPending}>
          Decide
        </Button>
        <Button onClick={onDone}>Leave the call</Button>
      </div>
    </form>
  );
}
