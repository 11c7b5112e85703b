import type { ReactElement } from 'react';
import { useParams } from 'react-router';
import { usePasswordLink, useSetPassword } from '../../data/people/people.ts';
import { ChoosePassword } from './choose-password.tsx';

/** Somebody who lost their password sets a new one by the link that an owner handed them. */
export function NewPassword(): ReactElement {
  const { secret = '' } = useParams();
  return (
    <ChoosePassword
      title="A new password"
      opened={usePasswordLink(secret)}
      choose={useSetPassword(secret)}
      words={({ name, club, email }) => (
        <>
          {name}, this is for your account at {club}. You sign in as <b>{email}</b>; an authenticator is not
          asked for until you set one up again.
        </>
      )}
      done="It counts from now on, and every device was signed out."
      button="Set the password"
    />
  );
}
