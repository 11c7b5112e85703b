import { JoinRequest } from '@iron-clasp/contract';
import type { UseMutationResult, UseQueryResult } from '@tanstack/react-query';
import type { ReactElement, ReactNode } from 'react';
import { Link } from 'react-router';
import type { ApiError } from '../../data/client.ts';
import { Button } from '../../ui/button.tsx';
import { NewPasswordFields, typedTwice } from '../../ui/new-password.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Failed, Loading } from '../../ui/states.tsx';

interface ChoosePasswordProps<Opened extends { readonly email: string }> {
  readonly title: string;
  /** What the secret of the address opens. */
  readonly opened: UseQueryResult<Opened, ApiError>;
  readonly choose: UseMutationResult<Opened, ApiError, string>;
  /** Who it is for, and what comes of it. */
  readonly words: (opened: Opened) => ReactNode;
  /** What has come of it. */
  readonly done: string;
  readonly button: string;
}

/** A page behind a secret address on which somebody chooses the password they sign in with from then on. */
export function ChoosePassword<Opened extends { readonly email: string }>({
  title,
  opened,
  choose,
  words,
  done,
  button,
}: ChoosePasswordProps<Opened>): ReactElement {
  const { form, field, onSubmit, failed, sending } = useRequestForm({
    request: JoinRequest,
    start: { password: '', again: '' },
    bodyOf: ({ password }): JoinRequest => ({ password }),
    send: ({ password }) => choose.mutateAsync(password),
  });
  const { differ, ready } = typedTwice(form.watch('password'), form.watch('again'));
  return (
    <main className="mx-auto grid min-h-dvh max-w-lg content-start p-6 md:pt-[14vh]">
      <h1 className="text-4xl">{title}</h1>
      {opened.isPending && <Loading what="the page" lines={4} />}
      {opened.error && <Failed error={opened.error} />}
      {choose.isSuccess && (
        <p className="mt-4 text-xl" role="status">
          {done}{' '}
          <Link to="/sign-in" className="underline underline-offset-4">
            Sign in
          </Link>{' '}
          with {choose.data.email}.
        </p>
      )}
      {opened.data && !choose.isSuccess && (
        <form
          onSubmit={(event) => (ready ? onSubmit(event) : event.preventDefault())}
          noValidate
          aria-label={button}
          className="mt-4 grid gap-4"
        >
          <p className="text-xl">{words(opened.data)}</p>
          <NewPasswordFields first={field('password')} second={form.register('again')} differ={differ} />
          {failed && <Failed error={failed} />}
          <Button type="submit" look="action" disabled={sending || !ready} className="justify-self-start">
            {button}
          </Button>
        </form>
      )}
    </main>
  );
}
