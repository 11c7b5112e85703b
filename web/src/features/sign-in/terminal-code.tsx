import type { ComponentProps, ReactElement } from 'react';
import { Field } from '../../ui/field.tsx';

/** The code that the terminal shows: whoever runs the machine starts a club, or brings one back. */
export function TerminalCode(input: Omit<ComponentProps<typeof Field>, 'label'>): ReactElement {
  return (
    <Field
      label="Code of the terminal"
      autoFocus
      autoComplete="off"
      spellCheck={false}
      placeholder="ABCD-EFGH-JKLM"
      className="max-w-60"
      {...input}
    />
  );
}
