import { HISTORY_KINDS, HISTORY_NAMES, SIDES, type HistoryKind } from '@iron-clasp/core';
import type { KnownHistory } from '@iron-clasp/contract';
import type { ReactElement, ReactNode } from 'react';
import { Button } from '../../ui/button.tsx';

/** What the lifter has had, which side, since when, and whether it is cleared. */
export function History({
  flags,
  note,
  onChange,
}: {
  flags: readonly KnownHistory[];
  note: ReactNode;
  onChange: (flags: readonly KnownHistory[]) => void;
}): ReactElement {
  const replace = (at: number, flag: KnownHistory): void =>
    onChange(flags.map((each, i) => (i === at ? flag : each)));
  return (
    <fieldset>
      <legend className="label">History: who must clear it is a physician or physiotherapist{note}</legend>
      <ul className="mt-1 grid gap-2">
        {flags.map((flag, i) => (
          <li key={i} className="flex flex-wrap items-center gap-2">
            <select
              aria-label={`Entry ${i + 1}: what`}
              value={flag.kind}
              onChange={(event) => replace(i, { ...flag, kind: event.target.value as HistoryKind })}
              className="rounded-sm border border-edge bg-ground px-2 py-1.5"
            >
              {HISTORY_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {HISTORY_NAMES[kind]}
                </option>
              ))}
            </select>
            <select
              aria-label={`Entry ${i + 1}: side`}
              value={flag.side ?? ''}
              onChange={(event) => {
                const { side: _side, ...rest } = flag;
                const side = SIDES.find((each) => each === event.target.value);
                replace(i, side ? { ...rest, side } : rest);
              }}
              className="rounded-sm border border-edge bg-ground px-2 py-1.5"
            >
              <option value="">no side</option>
              {SIDES.map((side) => (
                <option key={side} value={side}>
                  {side}
                </option>
              ))}
            </select>
            <label className="flex items-center gap-2">
              since
              <input
                type="date"
                aria-label={`Entry ${i + 1}: since`}
                value={flag.since ?? ''}
                onChange={(event) => {
                  const { since: _since, ...rest } = flag;
                  replace(i, event.target.value ? { ...rest, since: event.target.value } : rest);
                }}
                className="rounded-sm border border-edge bg-ground px-2 py-1"
              />
            </label>
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                checked={flag.cleared}
                onChange={(event) => replace(i, { ...flag, cleared: event.target.checked })}
                className="accent-forge"
              />
              cleared
            </label>
            <Button
              look="quiet"
              aria-label={`Remove entry ${i + 1}`}
              onClick={() => onChange(flags.filter((_, at) => at !== i))}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <Button className="mt-2" onClick={() => onChange([...flags, { kind: 'shoulder', cleared: false }])}>
        Add an entry
      </Button>
    </fieldset>
  );
}
