import { HOLD_KINDS, HOLD_KINDS_BY_ID, type HoldKindId } from '@iron-clasp/core';
import { MOST_HOLDS } from '@iron-clasp/contract';
import { X } from 'lucide-react';
import type { ReactElement } from 'react';
import { Select } from '../../ui/select.tsx';

/** What is held after a session's lifts, in order: one kind more from a list, each taken out by its own key. */
export function SessionHolds({
  kinds,
  error,
  onChange,
}: {
  kinds: readonly HoldKindId[];
  error: string | undefined;
  onChange: (kinds: readonly HoldKindId[]) => void;
}): ReactElement {
  const left = HOLD_KINDS.filter((kind) => !kinds.includes(kind));
  return (
    <div role="group" aria-label="Holds after the lifts" className="flex flex-wrap items-end gap-3">
      {kinds.map((kind) => (
        <span
          key={kind}
          className="inline-flex min-h-11 items-center gap-1 rounded-sm border border-verdigris bg-raised pl-3"
        >
          {HOLD_KINDS_BY_ID[kind].name}
          <button
            type="button"
            aria-label={`Remove ${HOLD_KINDS_BY_ID[kind].name}`}
            className="grid size-11 place-items-center hover:text-forge"
            onClick={() => onChange(kinds.filter((each) => each !== kind))}
          >
            <X size={16} aria-hidden />
          </button>
        </span>
      ))}
      {kinds.length < MOST_HOLDS && (
        <Select
          label="Add a hold after the lifts"
          value=""
          error={error}
          options={[['', 'none'], ...left.map((kind) => [kind, HOLD_KINDS_BY_ID[kind].name] as const)]}
          onChange={(kind) => kind !== '' && onChange([...kinds, kind])}
        />
      )}
    </div>
  );
}
