import { X } from 'lucide-react';
import { useState, type ReactElement, type ReactNode } from 'react';
import type { VenueKit } from '@iron-clasp/core';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { inUnit, typedMass, typedNumber } from '../../ui/figures.ts';
import { heightsText, typedHeights } from './kit-draft.ts';
import { Checkbox } from '../../ui/checkbox.tsx';

/** Items of one kind, each on a line of its own. */
export function Rows<Item extends { readonly id: string }>({
  title,
  one,
  items,
  fresh,
  error,
  columns = false,
  onChange,
  children,
}: {
  title: string;
  one: string;
  /** Short lines stand side by side. */
  columns?: boolean;
  items: readonly Item[];
  fresh: () => Item;
  error?: string | undefined;
  onChange: (items: readonly Item[]) => void;
  children: (item: Item, change: (part: Partial<Item>) => void, i: number) => ReactNode;
}): ReactElement {
  return (
    <fieldset>
      <legend className="w-full border-b border-ink pb-1 font-semibold">{title}</legend>
      <ul className={columns ? 'grid gap-x-8 sm:grid-cols-2' : ''}>
        {items.map((item, i) => (
          <li key={item.id} className="flex flex-wrap items-end gap-x-3 gap-y-1 border-b border-rule py-2">
            {children(
              item,
              (part) => onChange(items.map((each, at) => (at === i ? { ...each, ...part } : each))),
              i,
            )}
            <button
              type="button"
              aria-label={`Remove ${one} ${i + 1}`}
              onClick={() => onChange(items.filter((_, at) => at !== i))}
              className="ml-auto p-2.5 hover:text-forge"
            >
              <X size={16} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {error && (
        <p role="alert" className="text-oxblood">
          {error}
        </p>
      )}
      <Button className="mt-2" onClick={() => onChange([...items, fresh()])}>
        Add a {one}
      </Button>
    </fieldset>
  );
}

export function Words({
  label,
  value,
  error,
  onChange,
}: {
  label: string;
  value: string;
  error: string | undefined;
  onChange: (value: string) => void;
}): ReactElement {
  return (
    <Field
      label={label}
      className="w-52"
      value={value}
      maxLength={120}
      error={error}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

interface FigureProps {
  readonly label: string;
  readonly unit?: string;
  readonly value: number | null;
  readonly error: string | undefined;
  readonly onChange: (value: number) => void;
  /** Where a figure may be left out. */
  readonly onEmpty?: () => void;
  readonly read?: (text: string) => number;
}

/** A figure as it is being typed; what is no number stays as typed, to be refused at its place. */
export function Figure({
  label,
  unit,
  value,
  error,
  onChange,
  onEmpty,
  read = typedNumber,
}: FigureProps): ReactElement {
  const [text, setText] = useState(
    value === null || Number.isNaN(value) ? '' : String(Number(value.toFixed(3))),
  );
  return (
    <Field
      label={label}
      {...(unit && { unit })}
      className="w-28"
      inputMode="decimal"
      autoComplete="off"
      value={text}
      error={error}
      onChange={(event) => {
        setText(event.target.value);
        if (onEmpty && event.target.value.trim() === '') onEmpty();
        else onChange(read(event.target.value));
      }}
    />
  );
}

/** A mass in the reader's unit. */
export function MassField({
  kg,
  ...rest
}: Omit<FigureProps, 'value' | 'unit' | 'read'> & { readonly kg: number | null }): ReactElement {
  const unit = useUnit();
  return (
    <Figure
      {...rest}
      key={unit}
      unit={unit}
      value={kg === null ? null : inUnit(kg, unit)}
      read={(text) => typedMass(text, unit)}
    />
  );
}

export function Heights({
  heights,
  error,
  onChange,
}: {
  heights: readonly number[];
  error: string | undefined;
  onChange: (heights: number[]) => void;
}): ReactElement {
  const [text, setText] = useState(() => heightsText(heights));
  return (
    <Field
      label="Pins, mm from the floor: 500, 550 or 450 to 1300 by 50"
      className="min-w-72 grow"
      value={text}
      error={error}
      onChange={(event) => {
        setText(event.target.value);
        onChange(typedHeights(event.target.value));
      }}
    />
  );
}

export function Settings({
  settings,
  error,
  onChange,
}: {
  settings: VenueKit['dynamometers'][number]['settings'];
  error: string | undefined;
  onChange: (settings: VenueKit['dynamometers'][number]['settings']) => void;
}): ReactElement {
  const [text, setText] = useState(() => settings.map(({ name, span }) => `${name}: ${span}`).join(', '));
  return (
    <Field
      label="Handle settings and their span, mm: 1: 35, 2: 48"
      className="min-w-72 grow"
      value={text}
      error={error}
      onChange={(event) => {
        setText(event.target.value);
        onChange(
          event.target.value
            .split(',')
            .filter((part) => part.trim() !== '')
            .map((part) => {
              const [name = '', span = ''] = part.split(':');
              return { name: name.trim(), span: typedNumber(span) };
            }),
        );
      }}
    />
  );
}

/** Several of a list, or null for "nobody has said". */
export function Several<Value extends string>({
  legend,
  any,
  all,
  names,
  chosen,
  onChange,
}: {
  legend: string;
  any: string;
  all: readonly Value[];
  names: Readonly<Record<Value, string>>;
  chosen: readonly Value[] | null;
  onChange: (chosen: readonly Value[] | null) => void;
}): ReactElement {
  return (
    <fieldset>
      <legend className="label">{legend}</legend>
      <Checkbox checked={chosen === null} onChange={(checked) => onChange(checked ? null : [])}>
        {any}
      </Checkbox>
      {chosen !== null && (
        <div className="flex flex-wrap gap-x-5 gap-y-1">
          {all.map((each) => (
            <Checkbox
              key={each}
              checked={chosen.includes(each)}
              onChange={(checked) =>
                onChange(checked ? [...chosen, each] : chosen.filter((other) => other !== each))
              }
            >
              {names[each].replace(/^an? /, '')}
            </Checkbox>
          ))}
        </div>
      )}
    </fieldset>
  );
}
