import clsx from 'clsx';
import { useId, type InputHTMLAttributes, type ReactElement } from 'react';

interface FieldProps extends InputHTMLAttributes<HTMLInputElement> {
  readonly label: string;
  readonly error?: string | undefined;
  readonly unit?: string;
}

/** A labelled input with its message at the place. */
export function Field({ label, error, unit, className, ...input }: FieldProps): ReactElement {
  const id = useId();
  return (
    <div className={clsx('grid min-w-0 content-start gap-1', className)}>
      <label htmlFor={id} className="label">
        {label}
        {unit && ` (${unit})`}
      </label>
      <input
        id={id}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        className="control w-full"
        {...input}
      />
      {error && (
        <p id={`${id}-error`} role="alert" className="text-oxblood">
          {error}
        </p>
      )}
    </div>
  );
}
