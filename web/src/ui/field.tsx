import { useId, type InputHTMLAttributes, type ReactElement } from 'react';

interface FieldProps extends InputHTMLAttributes<HTMLInputElement> {
  readonly label: string;
  readonly error?: string | undefined;
  readonly unit?: string;
}

/** A labelled input with its message at the place. */
export function Field({ label, error, unit, className = '', ...input }: FieldProps): ReactElement {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="label">
        {label}
        {unit && ` (${unit})`}
      </label>
      <input
        id={id}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        className="mt-1 block w-full rounded-sm border border-edge bg-ground px-3 py-2 text-ink aria-invalid:border-2 aria-invalid:border-oxblood"
        {...input}
      />
      {error && (
        <p id={`${id}-error`} role="alert" className="mt-1 text-oxblood">
          {error}
        </p>
      )}
    </div>
  );
}
