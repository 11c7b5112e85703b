import type { MadeLinkView, ProfileView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useState, type FormEvent, type ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { Failed } from '../../ui/states.tsx';
import { clockNow } from '../../data/clock.ts';
import { useInvite, useMakeLink, useRemoveAccount, useRevokeLink } from '../../data/sharing/sharing.ts';
import { Select } from '../../ui/select.tsx';

const DAYS = [7, 30, 90] as const;
const day = (at: string): string => format(parseISO(at), 'd MMM yyyy');

/** Who sees the lifter's sessions beside the club's coaches: holders of a link, and the lifter. */
export function Sharing({ profile }: { profile: ProfileView }): ReactElement {
  const [made, setMade] = useState<{ readonly link: MadeLinkView; readonly what: string } | null>(null);
  return (
    <section aria-label="Who else sees this">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Who else sees this</h2>
      <Links profile={profile} onMade={(link) => setMade({ link, what: 'link' })} />
      <Account profile={profile} onMade={(link) => setMade({ link, what: 'invitation' })} />
      {made && <Address link={made.link} what={made.what} />}
    </section>
  );
}

/** The one time an address is shown. */
function Address({ link, what }: { link: MadeLinkView; what: string }): ReactElement {
  const [copied, setCopied] = useState(false);
  const address = `${window.location.origin}${link.path}`;
  return (
    <div role="status" className="mt-3 border-l-4 border-verdigris bg-raised px-4 py-3">
      <p>
        The {what} is made and lasts until {day(link.expiresAt)}. Its address is shown this once; send it on:
      </p>
      <p className="mt-1 flex flex-wrap items-center gap-2">
        <input
          readOnly
          aria-label="Address"
          value={address}
          onFocus={(event) => event.target.select()}
          className="control min-w-0 grow"
        />
        <Button onClick={() => void navigator.clipboard.writeText(address).then(() => setCopied(true))}>
          {copied ? 'Copied' : 'Copy'}
        </Button>
      </p>
    </div>
  );
}

interface PartProps {
  readonly profile: ProfileView;
  readonly onMade: (link: MadeLinkView) => void;
}

function Links({ profile, onMade }: PartProps): ReactElement {
  const make = useMakeLink(profile.id);
  const revoke = useRevokeLink(profile.id);
  const [days, setDays] = useState<number>(DAYS[0]);
  const now = clockNow().toISOString();
  return (
    <div className="py-2">
      <p className="text-quiet">
        A link shows the coming week to whoever holds it, to read and nothing more.
      </p>
      <ul>
        {profile.links.map((link) => {
          const over = link.expiresAt < now;
          return (
            <li key={link.id} className="flex flex-wrap items-center gap-x-3 border-b border-rule py-1.5">
              <span className={link.revoked || over ? 'grow text-quiet' : 'grow'}>
                made {day(link.madeAt)} by {link.madeBy},{' '}
                {link.revoked
                  ? `taken back ${day(link.revoked.at)} by ${link.revoked.by}`
                  : over
                    ? `ran out ${day(link.expiresAt)}`
                    : `lasts until ${day(link.expiresAt)}`}
              </span>
              {!link.revoked && !over && (
                <Button look="quiet" disabled={revoke.isPending} onClick={() => revoke.mutate(link.id)}>
                  Remove
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button disabled={make.isPending} onClick={() => make.mutate(days, { onSuccess: onMade })}>
          Make a link
        </Button>
        for
        <Select
          aria-label="For how long"
          value={String(days)}
          options={DAYS.map((each) => [String(each), `${each} days`] as const)}
          onChange={(value) => setDays(DAYS.find((each) => String(each) === value) ?? days)}
        />
      </div>
      {(make.error ?? revoke.error) && <Failed error={make.error ?? revoke.error} />}
    </div>
  );
}

const STATES = {
  invited: 'invited',
  expired: 'invited, but the invitation ran out',
  joined: 'signs in',
} as const;

function Account({ profile, onMade }: PartProps): ReactElement {
  const invite = useInvite(profile.id);
  const remove = useRemoveAccount(profile.id);
  const [email, setEmail] = useState('');
  const { account } = profile;
  const send = (event: FormEvent): void => {
    event.preventDefault();
    invite.mutate(email, {
      onSuccess: (link) => {
        setEmail('');
        onMade(link);
      },
    });
  };
  return (
    <div className="py-2">
      <p className="text-quiet">
        With an account of their own, {profile.name} reads their sheet and logs for themselves, and sees
        nobody else.
      </p>
      {account && (
        <p className="flex flex-wrap items-center gap-3 py-1.5">
          <span className="grow">
            <b>{account.email}</b>: {STATES[account.state]}
            {account.state === 'invited' && account.expiresAt && ` until ${day(account.expiresAt)}`}
          </span>
          <Button look="quiet" disabled={remove.isPending} onClick={() => remove.mutate()}>
            Remove
          </Button>
        </p>
      )}
      {account?.state !== 'joined' && (
        <form onSubmit={send} noValidate aria-label="Invite" className="mt-1 flex flex-wrap items-end gap-2">
          <Field
            label="Invite by e-mail address"
            type="email"
            className="min-w-56 grow"
            value={email}
            error={invite.error?.fields.find((field) => field.path === 'email')?.message}
            onChange={(event) => setEmail(event.target.value)}
          />
          <Button type="submit" disabled={invite.isPending}>
            Make an invitation
          </Button>
        </form>
      )}
      {(remove.error ?? (invite.error?.fields.length ? null : invite.error)) && (
        <Failed error={remove.error ?? invite.error} />
      )}
    </div>
  );
}
