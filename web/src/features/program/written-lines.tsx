import { LIFTS } from '@iron-clasp/core';
import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { useRef, type KeyboardEvent, type ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { Select } from '../../ui/select.tsx';

/** A line as it is typed. */
export interface Row {
  readonly key: string;
  readonly liftId: string;
  readonly text: string;
}

/** What a new line is of, where none stands before it. */
const FIRST_LIFT = 'deadlift.conventional';

export const row = (liftId = FIRST_LIFT, text = ''): Row => ({ key: crypto.randomUUID(), liftId, text });

export const rowsOf = (lines: readonly Pick<Row, 'liftId' | 'text'>[]): Row[] =>
  lines.map(({ liftId, text }) => row(liftId, text));

export const linesOf = (rows: readonly Row[]): { liftId: string; text: string }[] =>
  rows.map(({ liftId, text }) => ({ liftId, text }));

interface WrittenLinesProps {
  readonly rows: readonly Row[];
  readonly onRows: (rows: readonly Row[]) => void;
  /** What stands beneath a line: how it reads, or where it cannot be read. */
  readonly below: (row: Row, at: number, id: string) => ReactElement;
  /** Whose lines they are, where a screen has several lists. */
  readonly of?: string;
  readonly children?: ReactElement;
}

/** Lines of sets by keyboard: Enter adds one, Alt with the arrows moves it. What stands beneath comes beside the key that adds. */
export function WrittenLines({ rows, onRows, below, of, children }: WrittenLinesProps): ReactElement {
  const list = useRef<HTMLOListElement>(null);
  const named = (words: string): string => (of ? `${of}, ${words.toLowerCase()}` : words);
  const change = (at: number, part: Partial<Row>): void =>
    onRows(rows.map((each, i) => (i === at ? { ...each, ...part } : each)));
  const move = (from: number, to: number): void => {
    if (to < 0 || to >= rows.length) return;
    const moved = rows.filter((_, i) => i !== from);
    onRows([...moved.slice(0, to), rows[from]!, ...moved.slice(to)]);
  };
  const add = (after: number): void => {
    onRows([...rows.slice(0, after + 1), row(rows[after]?.liftId), ...rows.slice(after + 1)]);
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
  return (
    <>
      <ol ref={list} aria-label={named('Lines')} className="grid gap-2">
        {rows.map((each, i) => (
          <li
            key={each.key}
            className="grid gap-x-2 gap-y-1 border-b border-rule pb-2 sm:grid-cols-[10rem_minmax(0,1fr)_auto]"
          >
            <Select
              aria-label={named(`Line ${i + 1}: lift`)}
              value={each.liftId}
              options={LIFTS.map((lift) => [lift.id, lift.name] as const)}
              onChange={(liftId) => change(i, { liftId })}
            />
            <div className="min-w-0">
              <input
                aria-label={named(`Line ${i + 1}: sets`)}
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
              {below(each, i, `${each.key}-read`)}
            </div>
            <div className="flex items-start">
              <Tool words={named(`Move line ${i + 1} up`)} disabled={i === 0} onPress={() => move(i, i - 1)}>
                <ArrowUp size={16} aria-hidden />
              </Tool>
              <Tool
                words={named(`Move line ${i + 1} down`)}
                disabled={i === rows.length - 1}
                onPress={() => move(i, i + 1)}
              >
                <ArrowDown size={16} aria-hidden />
              </Tool>
              <Tool
                words={named(`Remove line ${i + 1}`)}
                disabled={false}
                onPress={() => onRows(rows.filter((_, at) => at !== i))}
              >
                <X size={16} aria-hidden />
              </Tool>
            </div>
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap items-center gap-4">
        <Button onClick={() => add(rows.length - 1)}>
          Add a line{of && <span className="sr-only"> to {of}</span>}
        </Button>
        {children}
      </div>
    </>
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
