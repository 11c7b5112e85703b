import { useId, type InputHTMLAttributes, type ReactElement } from 'react';
import { describedBy, Labelled } from './labelled.tsx';

interface FieldProps extends InputHTMLAttributes<HTMLInputElement> {
  readonly label: string;
  readonly error?: string | undefined;
  readonly unit?: string;
}

/** A labelled input with its message at the place. */
export function Field({ label, error, unit, className, ...input }: FieldProps): ReactElement {
  const id = useId();
  return (
    <Labelled id={id} label={unit ? `${label} (${unit})` : label} error={error} className={className}>
      <input id={id} {...describedBy(id, error)} className="control w-full" {...input} />
    </Labelled>
  );
}
