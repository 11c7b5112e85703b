import clsx from 'clsx';
import { Check } from 'lucide-react';
import { Checkbox as Radix } from 'radix-ui';
import { useId, type ReactElement, type ReactNode } from 'react';

interface CheckboxProps {
  readonly children: ReactNode;
  readonly checked: boolean;
  readonly disabled?: boolean;
  /** A bigger box, for a thumb with chalk on it. */
  readonly large?: boolean;
  readonly className?: string;
  readonly onChange: (checked: boolean) => void;
}

/** Yes or no, with its words beside it; a press on the words is a press on the box. */
export function Checkbox({
  children,
  checked,
  disabled = false,
  large = false,
  className,
  onChange,
}: CheckboxProps): ReactElement {
  const id = useId();
  return (
    <div className={clsx('flex min-h-9 items-center gap-2', large && 'gap-4', className)}>
      <Radix.Root
        id={id}
        checked={checked}
        disabled={disabled}
        onCheckedChange={(now) => onChange(now === true)}
        className={clsx(
          'grid shrink-0 place-items-center rounded-sm border border-edge bg-ground disabled:opacity-50',
          'data-[state=checked]:border-forge data-[state=checked]:bg-forge data-[state=checked]:text-on-forge',
          large ? 'size-8' : 'size-5',
        )}
      >
        <Radix.Indicator>
          <Check size={large ? 24 : 16} strokeWidth={3} aria-hidden />
        </Radix.Indicator>
      </Radix.Root>
      <label htmlFor={id} className={clsx('grow cursor-pointer', large ? 'py-3' : 'py-1')}>
        {children}
      </label>
    </div>
  );
}
