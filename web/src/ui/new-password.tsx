import { PASSWORD_LENGTH } from '@iron-clasp/contract';
import type { ComponentProps, ReactElement } from 'react';
import { Field } from './field.tsx';

/** Two typings of one password: whether they differ, and whether both are there and the same. */
export const typedTwice = (
  password: string,
  again: string,
): { readonly differ: boolean; readonly ready: boolean } => ({
  differ: again !== '' && again !== password,
  ready: again !== '' && again === password,
});

/** A password that is chosen, typed twice, since nobody sees what they type. */
export function NewPasswordFields({
  first,
  second,
  differ,
  missing = false,
}: {
  first: Omit<ComponentProps<typeof Field>, 'label'>;
  second: Omit<ComponentProps<typeof Field>, 'label'>;
  differ: boolean;
  /** The second is still to be typed, and was asked for. */
  missing?: boolean;
}): ReactElement {
  return (
    <>
      <Field
        label={`Password, at least ${PASSWORD_LENGTH.min} characters`}
        type="password"
        autoComplete="new-password"
        {...first}
      />
      <Field
        label="The same again"
        type="password"
        autoComplete="new-password"
        {...second}
        error={
          differ ? 'The two are not the same.' : missing ? 'Type the password a second time.' : undefined
        }
      />
    </>
  );
}
