import clsx from 'clsx';
import { useId, type ReactElement, type TextareaHTMLAttributes } from 'react';

interface TextAreaProps extends TextareaHTMLAttributes<HTMLTextAreaElement> {
  readonly label: string;
  readonly error?: string | undefined;
}

/** Words of more than a line, with their label above and the message below. */
export function TextArea({ label, error, className, ...area }: TextAreaProps): ReactElement {
  const id = useId();
  return (
    <div className={clsx('grid min-w-0 content-start gap-1', className)}>
      <label htmlFor={id} className="label">
        {label}
      </label>
      <textarea
        id={id}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        className="control w-full"
        {...area}
      />
      {error && (
        <p id={`${id}-error`} role="alert" className="text-oxblood">
          {error}
        </p>
      )}
    </div>
  );
}
