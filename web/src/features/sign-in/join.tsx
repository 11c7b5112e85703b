import { JoinRequest } from '@iron-clasp/contract';
import type { ReactElement } from 'react';
import { Link, useParams } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Failed, Loading } from '../../ui/states.tsx';
import { useInvitation, useJoin } from '../../data/sharing/sharing.ts';

/** An invited lifter chooses a password; from then on they sign in for themselves. */
export function Join(): ReactElement {
  const { secret = '' } = useParams();
  const invitation = useInvitation(secret);
  const join = useJoin(secret);
  const { form, field, onSubmit, failed, sending } = useRequestForm({
    request: JoinRequest,
    start: { password: '', again: '' },
    bodyOf: ({ password }): JoinRequest => ({ password }),
    send: ({ password }) => join.mutateAsync(password),
  });
  const differ = form.watch('again') !== '' && form.watch('again') !== form.watch('password');
  return (
    <main className="mx-auto grid min-h-dvh max-w-lg content-center p-6">
      <h1 className="text-4xl">Iron Clasp</h1>
      {invitation.isPending && <Loading what="the invitation" lines={4} />}
      {invitation.error && <Failed error={invitation.error} />}
      {join.isSuccess && (
        <p className="mt-4 text-xl" role="status">
          Your account stands.{' '}
          <Link to="/sign-in" className="underline underline-offset-4">
            Sign in
          </Link>{' '}
          with {join.data.email}.
        </p>
      )}
      {invitation.data && !join.isSuccess && (
        <form
          onSubmit={(event) => (differ ? event.preventDefault() : onSubmit(event))}
          noValidate
          aria-label="Join"
          className="mt-4 grid gap-4"
        >
          <p className="text-xl">
            {invitation.data.lifterName}, {invitation.data.club} asks you in: read your sessions, log your own
            sets and holds. You sign in as <b>{invitation.data.email}</b>.
          </p>
          <Field
            label="Password, at least 10 characters"
            type="password"
            autoComplete="new-password"
            {...field('password')}
          />
          <Field
            label="The same again"
            type="password"
            autoComplete="new-password"
            {...form.register('again')}
            error={differ ? 'The two are not the same.' : undefined}
          />
          {failed && <Failed error={failed} />}
          <Button type="submit" look="action" disabled={sending || differ} className="justify-self-start">
            Make my account
          </Button>
        </form>
      )}
    </main>
  );
}
