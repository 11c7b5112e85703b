import { Check, ChevronDown, ChevronUp } from 'lucide-react';
import { Select as Radix } from 'radix-ui';
import { useId, useState, type ReactElement, type ReactNode } from 'react';
import { describedBy, Labelled } from './labelled.tsx';

interface SelectProps<Value extends string> {
  /** Stands above the control; `aria-label` names one that has its words around it. */
  readonly label?: ReactNode;
  readonly 'aria-label'?: string;
  readonly value: Value;
  readonly options: readonly (readonly [Value, string])[];
  readonly error?: string | undefined;
  readonly disabled?: boolean;
  /** What stands there while nothing is chosen. */
  readonly placeholder?: string;
  readonly className?: string;
  readonly onChange: (value: Value) => void;
}

/** Radix keeps the empty value for "nothing chosen"; ours has words of its own, such as "every lift". */
const NONE = '\u2205';
const inside = (value: string): string => (value === '' ? NONE : value);

/** One of many, from a list that folds out. */
export function Select<Value extends string>({
  label,
  value,
  options,
  error,
  disabled,
  placeholder,
  className,
  onChange,
  ...named
}: SelectProps<Value>): ReactElement {
  const id = useId();
  // A list of a hundred lifts is made when somebody comes to it: a page of twenty such controls would redraw them all at every key.
  const [used, setUsed] = useState(false);
  const chosen = options.find(([each]) => each === value);
  return (
    <Labelled id={id} label={label} error={error} className={className}>
      <Radix.Root
        value={chosen ? inside(value) : ''}
        disabled={disabled ?? false}
        onValueChange={(next) => onChange((next === NONE ? '' : next) as Value)}
        onOpenChange={() => setUsed(true)}
      >
        <Radix.Trigger
          id={id}
          aria-label={named['aria-label']}
          {...describedBy(id, error)}
          // A letter typed here chooses too.
          onFocus={() => setUsed(true)}
          className="control flex w-full min-w-0 items-center justify-between gap-2 text-left"
        >
          <span className="truncate">
            <Radix.Value placeholder={placeholder ?? 'choose'}>{chosen?.[1]}</Radix.Value>
          </span>
          <Radix.Icon asChild>
            <ChevronDown size={16} aria-hidden className="shrink-0 text-quiet" />
          </Radix.Icon>
        </Radix.Trigger>
        {used && (
          <Radix.Portal>
            <Radix.Content
              position="popper"
              sideOffset={2}
              collisionPadding={8}
              className="z-50 max-h-(--radix-select-content-available-height) min-w-(--radix-select-trigger-width) max-w-[calc(100vw-1rem)] overflow-hidden rounded-sm border border-ink bg-raised text-ink shadow-lg"
            >
              <Radix.ScrollUpButton className="grid place-items-center py-1">
                <ChevronUp size={16} aria-hidden />
              </Radix.ScrollUpButton>
              <Radix.Viewport className="p-1">
                {options.map(([each, words]) => (
                  <Radix.Item
                    key={each}
                    value={inside(each)}
                    className="flex min-h-9 cursor-pointer items-center gap-2 rounded-sm py-1.5 pl-2 pr-3 outline-none data-highlighted:bg-forge data-highlighted:text-on-forge"
                  >
                    <span className="w-4 shrink-0">
                      <Radix.ItemIndicator>
                        <Check size={16} aria-hidden />
                      </Radix.ItemIndicator>
                    </span>
                    <Radix.ItemText>{words}</Radix.ItemText>
                  </Radix.Item>
                ))}
              </Radix.Viewport>
              <Radix.ScrollDownButton className="grid place-items-center py-1">
                <ChevronDown size={16} aria-hidden />
              </Radix.ScrollDownButton>
            </Radix.Content>
          </Radix.Portal>
        )}
      </Radix.Root>
    </Labelled>
  );
}
