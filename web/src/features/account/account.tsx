import {
  PasswordRequest,
  SecondFactorOffRequest,
  SecondFactorRequest,
  ROLE_NAMES,
  ROLE_WORDS,
  type DeviceView,
  type OwnAccountView,
} from '@iron-clasp/contract';
import { toString as qrSvg } from 'qrcode';
import { useEffect, useState, type ReactElement } from 'react';
import { ago } from '../../data/clock.ts';
import { useAccount } from '../../data/session/account.ts';
import {
  useChangePassword,
  useEndDevices,
  useNewSecondFactor,
  useOwnAccount,
  useSecondFactorOff,
  useSecondFactorOn,
} from '../../data/session/own-account.ts';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { NewPasswordFields, typedTwice } from '../../ui/new-password.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Failed, Loading } from '../../ui/states.tsx';
import { useToast } from '../../ui/toast.tsx';
import { ToToday } from '../../ui/to-today.tsx';

/** One's own account: what signs in, and where. */
export function OwnAccount(): ReactElement {
  const account = useAccount();
  const own = useOwnAccount();
  return (
    <div className="max-w-3xl px-4 pb-12 pt-4 md:px-8">
      <ToToday />
      <h1 className="text-4xl">Your account</h1>
      {account && (
        <p className="text-quiet">
          {account.name}, {account.email}. {ROLE_NAMES[account.role]}: {ROLE_WORDS[account.role]}.
        </p>
      )}
      <div className="mt-5 grid gap-8">
        <Password />
        {own.isPending && <Loading what="your account" lines={5} />}
        {own.error && !own.data && <Failed error={own.error} retry={() => void own.refetch()} />}
        {own.data && <SecondFactor on={own.data.secondFactor} />}
        {own.data && <Devices view={own.data} />}
      </div>
    </div>
  );
}

function Password(): ReactElement {
  const change = useChangePassword();
  const say = useToast();
  const { form, field, onSubmit, failed, sending } = useRequestForm({
    request: PasswordRequest,
    start: { current: '', password: '', again: '' },
    bodyOf: ({ current, password }): PasswordRequest => ({ current, password }),
    send: (body) => change.mutateAsync(body),
    onSaved: () => {
      form.reset();
      say('The new password counts. Every other device was signed out.');
    },
  });
  const { differ, ready } = typedTwice(form.watch('password'), form.watch('again'));
  return (
    <section aria-label="Password">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">Password</h2>
      <form
        onSubmit={(event) => (ready ? onSubmit(event) : event.preventDefault())}
        noValidate
        aria-label="Change the password"
        className="mt-3 grid max-w-sm gap-3"
      >
        <Field
          label="The one you sign in with now"
          type="password"
          autoComplete="current-password"
          {...field('current')}
        />
        <NewPasswordFields first={field('password')} second={form.register('again')} differ={differ} />
        {failed && <Failed error={failed} />}
        <Button type="submit" className="justify-self-start" disabled={sending || !ready}>
          Change the password
        </Button>
      </form>
    </section>
  );
}

function SecondFactor({ on }: { on: boolean }): ReactElement {
  const fresh = useNewSecondFactor();
  return (
    <section aria-label="Second factor">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">Second factor</h2>
      <p className="py-2 text-quiet">
        {on
          ? 'At sign-in six figures of your authenticator are asked for beside the password.'
          : 'With an authenticator on a phone, a password that somebody learned is not enough to sign in.'}
      </p>
      {on && <FactorOff />}
      {!on && !fresh.data && (
        <Button disabled={fresh.isPending} onClick={() => fresh.mutate()}>
          Set up an authenticator
        </Button>
      )}
      {!on && fresh.data && <FactorOn {...fresh.data} />}
      {fresh.error && <Failed error={fresh.error} />}
    </section>
  );
}

function FactorOn({ address, secret }: { address: string; secret: string }): ReactElement {
  const turnOn = useSecondFactorOn();
  const say = useToast();
  const { field, onSubmit, failed, sending } = useRequestForm({
    request: SecondFactorRequest,
    start: { code: '' },
    bodyOf: ({ code }): SecondFactorRequest => ({ secret, code }),
    send: (body) => turnOn.mutateAsync(body),
    onSaved: () => say('The authenticator is asked for from the next sign-in on.'),
  });
  return (
    <form onSubmit={onSubmit} noValidate aria-label="Set up an authenticator" className="grid gap-3">
      <div className="flex flex-wrap items-start gap-6">
        <Code address={address} />
        <div className="grid min-w-64 grow basis-64 gap-3">
          <p>Show this code to the authenticator, or type into it:</p>
          <p className="figures text-xl break-all" aria-label="Secret">
            {secret.replaceAll(/(.{4})(?=.)/g, '$1 ')}
          </p>
          <Field
            label="The six figures that it shows now"
            inputMode="numeric"
            autoComplete="one-time-code"
            className="max-w-48"
            {...field('code')}
          />
          {failed && <Failed error={failed} />}
          <Button type="submit" className="justify-self-start" disabled={sending}>
            Ask for it at sign-in
          </Button>
        </div>
      </div>
    </form>
  );
}

/** The address as a code for a camera: dark on light in either theme, which is what cameras read. */
function Code({ address }: { address: string }): ReactElement {
  const [src, setSrc] = useState<string>();
  useEffect(() => {
    void qrSvg(address, { type: 'svg', margin: 2 }).then((svg) =>
      setSrc(`data:image/svg+xml,${encodeURIComponent(svg)}`),
    );
  }, [address]);
  return (
    <img
      src={src}
      width={180}
      height={180}
      alt="The secret as a code for a camera"
      className="border border-edge"
    />
  );
}

function FactorOff(): ReactElement {
  const turnOff = useSecondFactorOff();
  const say = useToast();
  const { field, onSubmit, failed, sending } = useRequestForm({
    request: SecondFactorOffRequest,
    start: { password: '' },
    bodyOf: ({ password }): SecondFactorOffRequest => ({ password }),
    send: ({ password }) => turnOff.mutateAsync(password),
    onSaved: () => say('The authenticator is asked for no more.'),
  });
  return (
    <form
      onSubmit={onSubmit}
      noValidate
      aria-label="Ask for no authenticator"
      className="flex flex-wrap items-end gap-3"
    >
      <Field
        label="Your password"
        type="password"
        autoComplete="current-password"
        className="w-64"
        {...field('password')}
      />
      <Button type="submit" disabled={sending}>
        Ask for it no more
      </Button>
      {failed && <Failed error={failed} />}
    </form>
  );
}

function Devices({ view }: { view: OwnAccountView }): ReactElement {
  const end = useEndDevices();
  const others = view.devices.filter((each) => !each.here).length;
  return (
    <section aria-label="Devices">
      <h2 className="flex items-baseline justify-between gap-3 border-b-2 border-ink pb-1 text-2xl">
        Devices that are signed in
        {others > 1 && (
          <Button className="text-base" disabled={end.isPending} onClick={() => end.mutate(null)}>
            Sign all others out
          </Button>
        )}
      </h2>
      <ul>
        {view.devices.map((device) => (
          <Device key={device.id} device={device} busy={end.isPending} onEnd={() => end.mutate(device.id)} />
        ))}
      </ul>
      {end.error && <Failed error={end.error} />}
    </section>
  );
}

function Device({
  device,
  busy,
  onEnd,
}: {
  device: DeviceView;
  busy: boolean;
  onEnd: () => void;
}): ReactElement {
  return (
    <li className="flex min-h-11 flex-wrap items-center gap-x-4 border-b border-rule py-1">
      <span className="grow">
        <b>{device.name}</b>
        {device.here && ', this one'}
        <span className="block text-sm text-quiet">
          signed in {ago(device.signedInAt)}, seen {ago(device.seenAt)}
        </span>
      </span>
      {!device.here && (
        <Button look="quiet" disabled={busy} onClick={onEnd}>
          Sign out
          <span className="sr-only"> {device.name}</span>
        </Button>
      )}
    </li>
  );
}
