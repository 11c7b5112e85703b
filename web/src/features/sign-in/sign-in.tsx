import type { SignInRequest } from '@iron-clasp/contract';
import { useState, useSyncExternalStore, type ReactElement } from 'react';
import { useForm, type Resolver } from 'react-hook-form';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { outbox } from '../../offline/own-outbox.ts';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { Failed } from '../../ui/states.tsx';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { useSignIn, useWelcome } from '../../data/session/session.ts';

const resolver: Resolver<SignInRequest> = async (...typed) =>
  (await import('./check-sign-in.ts')).checkSignIn(...typed);

/** Only addresses of our own are followed after signing in. */
function ownAddress(next: string | null): string {
  return next && /^\/(?!\/)/.test(next) ? next : '/';
}

export function SignIn(): ReactElement {
  const welcome = useWelcome();
  const signIn = useSignIn();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const form = useForm<SignInRequest>({ resolver, defaultValues: { email: '', password: '' } });
  // Asked for once the server says that the account has one, and left standing while codes are typed.
  const [factor, setFactor] = useState(false);
  const enter = (body: SignInRequest): void =>
    signIn.mutate(
      { email: body.email, password: body.password, ...(factor && body.code && { code: body.code }) },
      {
        onSuccess: () => void navigate(ownAddress(search.get('next')), { replace: true }),
        onError: ({ code }) => setFactor((before) => before || code === 'second-factor'),
      },
    );
  const demo = welcome.data?.demo;
  const kept = useSyncExternalStore(outbox.subscribe, outbox.all).length;

  return (
    <main className="mx-auto grid min-h-dvh max-w-5xl content-start gap-12 p-6 md:grid-cols-[1.2fr_1fr] md:pt-[18vh]">
      <section>
        <h1 className="text-6xl tracking-tight">Iron Clasp</h1>
        <p className="mt-4 max-w-md text-xl">
          Grip, straps and chalk for every set; holds on the clock; and what the hands will bear on the day.
        </p>
        <ul className="mt-8 grid max-w-md gap-3 border-t border-rule pt-4" aria-label="How a call reads">
          {(
            [
              ['doubleOverhand', undefined, 'Warm-up 70 × 4: double overhand'],
              ['hook', undefined, 'Warm-up 105 × 2: hook, tape, chalk the outer thumb'],
              ['mixed', 'left', 'Top single 125: mixed, left under'],
              ['straps', undefined, 'Back-off 105 × 4: straps, three turns'],
            ] as const
          ).map(([choice, under, line]) => (
            <li key={choice} className="figures flex items-center gap-4 text-xl">
              <GripMark choice={choice} {...(under && { sideUnder: under })} size={30} />
              {line}
            </li>
          ))}
        </ul>
      </section>
      <section className="border-t-4 border-ink bg-raised p-6">
        <h2 className="text-2xl">Sign in</h2>
        {kept > 0 && (
          <p role="status" className="mt-2 text-ochre">
            You were signed out. {kept === 1 ? 'One log entry is' : `${kept} log entries are`} kept on this
            device and will be sent once its account signs in again.
          </p>
        )}
        <form
          noValidate
          className="mt-4 grid gap-4"
          onSubmit={(event) => void form.handleSubmit(enter)(event)}
        >
          <Field
            label="E-mail"
            type="email"
            autoComplete="username"
            error={form.formState.errors.email?.message}
            {...form.register('email')}
          />
          <Field
            label="Password"
            type="password"
            autoComplete="current-password"
            error={form.formState.errors.password?.message}
            {...form.register('password')}
          />
          {factor && (
            <Field
              label="Six figures of your authenticator"
              inputMode="numeric"
              autoComplete="one-time-code"
              autoFocus
              error={form.formState.errors.code?.message}
              {...form.register('code')}
            />
          )}
          {signIn.error && signIn.error.code !== 'second-factor' && <Failed error={signIn.error} />}
          <Button look="action" type="submit" disabled={signIn.isPending} className="py-2.5">
            {signIn.isPending ? 'Signing in …' : 'Sign in'}
          </Button>
        </form>
        {welcome.data?.setUp && (
          <p className="mt-6 border-t border-rule pt-4">
            {!demo && 'Nobody has started a club here yet. '}
            <Link to="/set-up" className="font-semibold underline underline-offset-4">
              Start your own club
            </Link>{' '}
            with the code that the terminal shows.
          </p>
        )}
        {demo && (
          <div className="mt-6 border-t border-rule pt-4">
            <p>
              This is a demo with an invented club, {demo.club}. Its coach signs in with
              <br />
              <b>{demo.email}</b> and <b>{demo.password}</b>.
            </p>
            <Button
              className="mt-3"
              disabled={signIn.isPending}
              onClick={() => enter({ email: demo.email, password: demo.password })}
            >
              Sign in as the demo coach
            </Button>
            <p className="mt-4">
              {demo.lifter.name} signs in for herself with
              <br />
              <b>{demo.lifter.email}</b> and <b>{demo.lifter.password}</b>.
            </p>
          </div>
        )}
        {welcome.error && <Failed error={welcome.error} retry={() => void welcome.refetch()} />}
      </section>
    </main>
  );
}
