import {
  ApiTokenRequest,
  TOKEN_SCOPE_NAMES,
  TOKEN_SCOPE_WORDS,
  TOKEN_SCOPES,
  type ApiTokenView,
  type MadeTokenView,
  type TokenScope,
} from '@iron-clasp/contract';
import { addDays, format } from 'date-fns';
import { useState, type ReactElement } from 'react';
import { Controller } from 'react-hook-form';
import { ago, clockNow } from '../../data/clock.ts';
import { useApiTokens, useMakeApiToken, useRevokeApiToken } from '../../data/people/api-tokens.ts';
import { Ask } from '../../ui/ask.tsx';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { DateField } from '../../ui/date-field.tsx';
import { useDateHabit, writeDay } from '../../ui/date-words.ts';
import { Field } from '../../ui/field.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { ShownOnce } from '../../ui/shown-once.tsx';
import { Empty, Failed, Loading } from '../../ui/states.tsx';
import { useToast } from '../../ui/toast.tsx';

/** Days that a new token lasts unless another day is chosen. */
const USUAL_DAYS = 90;

/** What of other makers reads and logs for the club: a screen on the wall, a spreadsheet, a device. */
export function ApiTokens(): ReactElement {
  const tokens = useApiTokens();
  const [made, setMade] = useState<MadeTokenView | null>(null);
  const habit = useDateHabit();
  return (
    <div className="mt-3 grid gap-8 xl:grid-cols-[minmax(0,1fr)_22rem]">
      <section aria-label="Tokens" className="min-w-0">
        <h2 className="border-b-2 border-ink pb-1 text-2xl">Tokens in use</h2>
        <p className="py-2 text-quiet">
          Something of your own, a screen on the wall, a spreadsheet, a device, shows a token instead of
          signing in. It acts in your name with less than your right; what it changes stands under Who did
          what.{' '}
          <a href="/api/docs" className="underline underline-offset-4">
            The API’s reference
          </a>
          {tokens.data && `; ${tokens.data.perMinute} requests a minute each`}.
        </p>
        {tokens.isPending && <Loading what="the tokens" lines={4} />}
        {tokens.error && !tokens.data && <Failed error={tokens.error} retry={() => void tokens.refetch()} />}
        {made && (
          <ShownOnce
            words={`The token is made and good until ${writeDay(made.endsOn, habit)}. It is shown this once; put it where it is needed:`}
            label="Token"
            value={made.token}
          />
        )}
        {tokens.data?.tokens.length === 0 && (
          <Empty title="No token yet">
            <p>Make one for each thing that reads or logs, so that each can be revoked by itself.</p>
          </Empty>
        )}
        <ul>
          {tokens.data?.tokens.map((token) => (
            <Token key={token.id} token={token} />
          ))}
        </ul>
      </section>
      <Make onMade={setMade} />
    </div>
  );
}

function Token({ token }: { token: ApiTokenView }): ReactElement {
  const revoke = useRevokeApiToken();
  const say = useToast();
  const habit = useDateHabit();
  return (
    <li className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1.5">
      <span className="min-w-0 grow basis-56">
        <b>{token.name}</b>, {TOKEN_SCOPE_NAMES[token.scope].toLowerCase()}
        <span className="block text-sm text-quiet">
          {token.ended ? 'good no more' : `until ${writeDay(token.endsOn, habit)}`} · made by {token.madeBy} ·{' '}
          {token.lastUsedAt ? `used ${ago(token.lastUsedAt)}` : 'never used'}
        </span>
      </span>
      <Ask
        title={`Revoke ${token.name}?`}
        words="What shows it is refused from now on. Nothing that it logged goes."
        confirm="Revoke"
        onConfirm={() => revoke.mutate(token.id, { onSuccess: () => say(`${token.name} is revoked.`) })}
      >
        <Button look="quiet" disabled={revoke.isPending}>
          Revoke<span className="sr-only"> {token.name}</span>
        </Button>
      </Ask>
      {revoke.error && <Failed error={revoke.error} />}
    </li>
  );
}

function Make({ onMade }: { onMade: (made: MadeTokenView) => void }): ReactElement {
  const make = useMakeApiToken();
  const [id, setId] = useState(() => crypto.randomUUID());
  const usual = format(addDays(clockNow(), USUAL_DAYS), 'yyyy-MM-dd');
  const { form, field, fault, onSubmit, failed, sending } = useRequestForm<
    { name: string; scope: TokenScope; endsOn: string },
    ApiTokenRequest,
    MadeTokenView
  >({
    request: ApiTokenRequest,
    start: { name: '', scope: 'read', endsOn: usual },
    bodyOf: (typed) => typed,
    send: (body) => make.mutateAsync({ ...body, id }),
    onSaved: (made) => {
      form.reset();
      setId(crypto.randomUUID());
      onMade(made);
    },
  });
  return (
    <form onSubmit={onSubmit} noValidate aria-label="New token" className="grid content-start gap-3">
      <h2 className="border-b-2 border-ink pb-1 text-2xl">New token</h2>
      <Field label="What it is for" autoComplete="off" placeholder="Screen on the wall" {...field('name')} />
      <Controller
        control={form.control}
        name="scope"
        render={({ field: { value, onChange } }) => (
          <Choices
            legend="It may"
            value={value}
            options={TOKEN_SCOPES.map((each) => [each, TOKEN_SCOPE_NAMES[each]] as const)}
            onChange={onChange}
          />
        )}
      />
      <p className="text-quiet">It {TOKEN_SCOPE_WORDS[form.watch('scope')]}.</p>
      <Controller
        control={form.control}
        name="endsOn"
        render={({ field: { value, onChange } }) => (
          <DateField label="Last day" value={value} error={fault('endsOn')} onChange={onChange} />
        )}
      />
      {failed && <Failed error={failed} />}
      <Button type="submit" look="action" className="justify-self-start" disabled={sending}>
        Make a token
      </Button>
    </form>
  );
}
