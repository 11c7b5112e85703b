import { BringClubRequest } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { Link, useNavigate } from 'react-router';
import { useBringClub } from '../../data/session/session.ts';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { FileField } from '../../ui/file-field.tsx';
import { NewPasswordFields, typedTwice } from '../../ui/new-password.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Failed } from '../../ui/states.tsx';
import { TerminalCode } from './terminal-code.tsx';

interface Typed {
  code: string;
  email: string;
  password: string;
  again: string;
}

/** A club that was exported, here or on another machine, comes back whole. */
export function BringClub(): ReactElement {
  const bring = useBringClub();
  const navigate = useNavigate();
  const [file, setFile] = useState<File>();
  const [tried, setTried] = useState(false);
  const { form, field, fault, typed, onSubmit, failed, sending } = useRequestForm<
    Typed,
    BringClubRequest,
    unknown
  >({
    request: BringClubRequest,
    start: { code: '', email: '', password: '', again: '' },
    bodyOf: ({ email, password }) => ({ email, password }),
    send: (body, { code }) => bring.mutateAsync({ ...body, code, file: file! }),
    onSaved: () => void navigate('/', { replace: true }),
  });
  const twice = typedTwice(typed.password, typed.again);
  return (
    <main className="mx-auto max-w-3xl px-4 pb-16 pt-8 md:px-8">
      <h1 className="text-4xl">Bring a club back</h1>
      <p className="mt-2 text-quiet">
        From an export of a whole club, made here or on another machine. Starting anew?{' '}
        <Link to="/set-up" className="underline underline-offset-4">
          Start a club of your own
        </Link>
        .
      </p>
      <form
        onSubmit={(event) => {
          setTried(true);
          if (file && twice.ready) return onSubmit(event);
          event.preventDefault();
          if (file && typed.again === '') form.setFocus('again');
        }}
        noValidate
        aria-label="Bring a club back"
        className="mt-4 grid gap-4"
      >
        <TerminalCode {...field('code')} />
        <div className="grid max-w-80 gap-1">
          <FileField
            label="Export of the club (zip)"
            accept=".zip,application/zip"
            chosen={file?.name}
            onChange={setFile}
          />
          {((tried && !file) || fault('export')) && (
            <p role="alert" className="text-oxblood">
              {fault('export') ?? 'Choose the file that was exported.'}
            </p>
          )}
        </div>
        <p className="text-quiet">
          You, an owner of that club. Passwords are in no export: choose a new one here. Everybody else
          chooses theirs by a link that you hand over, under Club, People.
        </p>
        <Field label="E-mail" type="email" autoComplete="username" {...field('email')} />
        <NewPasswordFields
          first={field('password')}
          second={form.register('again')}
          differ={twice.differ}
          missing={tried && typed.again === ''}
        />
        {failed && <Failed error={failed} />}
        <Button type="submit" look="action" disabled={sending} className="justify-self-start px-6 py-3">
          {sending ? 'Bringing the club back …' : 'Bring the club back'}
        </Button>
      </form>
    </main>
  );
}
