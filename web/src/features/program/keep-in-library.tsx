import { LibraryPlanRequest } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { useKeepPlan } from '../../data/training/library.ts';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Failed } from '../../ui/states.tsx';
import { useToast } from '../../ui/toast.tsx';
import type { Copied } from './open-session.ts';

/** Keeps what is copied in the club's library, under a title of its own. */
export function KeepInLibrary({ what }: { what: Copied }): ReactElement {
  const [open, setOpen] = useState(false);
  const [id] = useState(() => crypto.randomUUID());
  const keep = useKeepPlan();
  const say = useToast();
  const { typed, set, fault, onSubmit, failed, sending } = useRequestForm({
    request: LibraryPlanRequest,
    start: { title: what.title },
    bodyOf: ({ title }: { title: string }): LibraryPlanRequest => ({ title, from: what.from, version: 0 }),
    send: (body) => keep.mutateAsync({ id, body }),
    onSaved: () => {
      setOpen(false);
      say(`${typed.title} is in the library.`);
    },
  });
  if (keep.isSuccess) return <span className="text-quiet">Saved to the library.</span>;
  if (!open)
    return (
      <Button look="quiet" onClick={() => setOpen(true)}>
        Save to the library
      </Button>
    );
  return (
    <span className="flex flex-wrap items-end gap-2">
      <Field
        label="Title in the library"
        value={typed.title}
        maxLength={80}
        error={fault('title')}
        onChange={(event) => set({ title: event.target.value })}
        // Enter keeps it, and does not copy.
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          onSubmit();
        }}
      />
      <Button disabled={sending} onClick={() => onSubmit()}>
        Save
      </Button>
      {failed && <Failed error={failed} />}
    </span>
  );
}
