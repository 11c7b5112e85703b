import { ROLE_NAMES, ROLE_WORDS } from '@iron-clasp/contract';
import type { ReactElement } from 'react';
import { useParams } from 'react-router';
import { useInvitation, useJoin } from '../../data/sharing/sharing.ts';
import { ChoosePassword } from './choose-password.tsx';

/** Whoever was invited chooses a password; from then on they sign in for themselves. */
export function Join(): ReactElement {
  const { secret = '' } = useParams();
  return (
    <ChoosePassword
      title="Iron Clasp"
      opened={useInvitation(secret)}
      choose={useJoin(secret)}
      words={({ name, club, email, role }) => (
        <>
          {name}, {club} asks you in
          {role === 'lifter'
            ? ': read your sessions, log your own sets and holds.'
            : ` as ${ROLE_NAMES[role].toLowerCase()}: who ${ROLE_WORDS[role]}.`}{' '}
          You sign in as <b>{email}</b>.
        </>
      )}
      done="Your account stands."
      button="Make my account"
    />
  );
}
