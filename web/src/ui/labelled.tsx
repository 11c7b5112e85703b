import clsx from 'clsx';
import type { ReactElement, ReactNode } from 'react';

interface LabelledProps {
  /** Of the control inside, which {@link describedBy} ties to the message. */
  readonly id: string;
  /** Left out for a control that has its words around it. */
  readonly label?: ReactNode;
  readonly error?: string | undefined;
  readonly className?: string | undefined;
  readonly children: ReactNode;
}

/** A control with its label above and what is wrong with it below. */
export function Labelled({ id, label, error, className, children }: LabelledProps): ReactElement {
  return (
    <div className={clsx('grid min-w-0 content-start gap-1', className)}>
      {label !== undefined && (
        <label htmlFor={id} className="label">
          {label}
        </label>
      )}
      {children}
      {error && (
        <p id={`${id}-error`} role="alert" className="text-oxblood">
          {error}
        </p>
      )}
    </div>
  );
}

/** What a control says of its own fault. */
export const describedBy = (
  id: string,
  error: string | undefined,
): { readonly 'aria-invalid'?: true; readonly 'aria-describedby'?: string } =>
  error ? { 'aria-invalid': true, 'aria-describedby': `${id}-error` } : {};
