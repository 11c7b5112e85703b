import { useId, type ReactElement, type TextareaHTMLAttributes } from 'react';
import { describedBy, Labelled } from './labelled.tsx';

interface TextAreaProps extends TextareaHTMLAttributes<HTMLTextAreaElement> {
  readonly label: string;
  readonly error?: string | undefined;
}

/** Words of more than a line, with their label above and the message below. */
export function TextArea({ label, error, className, ...area }: TextAreaProps): ReactElement {
  const id = useId();
  return (
    <Labelled id={id} label={label} error={error} className={className}>
      <textarea id={id} {...describedBy(id, error)} className="control w-full" {...area} />
    </Labelled>
  );
}
