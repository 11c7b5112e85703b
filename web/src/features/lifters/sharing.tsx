import { InvitationRequest, type MadeLinkView, type ProfileView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useState, type ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { Checkbox } from '../../ui/checkbox.tsx';
import { Field } from '../../ui/field.tsx';
import { LinkList } from '../../ui/link-list.tsx';
import { MadeAddress } from '../../ui/made-address.tsx';
import { NewLink } from '../../ui/new-link.tsx';
import { useRequestForm } from '../../ui/request-form.ts';
import { Failed } from '../../ui/states.tsx';
import { clockNow } from '../../data/clock.ts';
import { useInvite, useMakeLink, useRemoveAccount, useRevokeLink } from '../../data/sharing/sharing.ts';

const AHEAD = [
  [8, 'a week ahead'],
  [15, 'two weeks ahead'],
  [29, 'four weeks ahead'],
  [90, 'three months ahead'],
] as const;
const LASTS = [
  [7, '7 days'],
  [30, '30 days'],
  [90, '90 days'],
] as const;
const day = (at: string): string => format(parseISO(at), 'd MMM yyyy');

/** Who sees the lifter's sessions beside the club's coaches: holders of a link, and the lifter. */
export function Sharing({ profile }: { profile: ProfileView }): ReactElement {
  const [made, setMade] = useState<{ readonly link: MadeLinkView; readonly what: string } | null>(null);
  return (
    <section aria-label="Who else sees this">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Who else sees this</h2>
      <Links profile={profile} onMade={(link) => setMade({ link, what: 'link' })} />
      <Account profile={profile} onMade={(link) => setMade({ link, what: 'invitation' })} />
      {made && <MadeAddress link={made.link} what={made.what} />}
    </section>
  );
}

interface PartProps {
  readonly profile: ProfileView;
  readonly onMade: (link: MadeLinkView) => void;
}

function Links({ profile, onMade }: PartProps): ReactElement {
  const make = useMakeLink(profile.id);
  const revoke = useRevokeLink(profile.id);
  const [health, setHealth] = useState(false);
  return (
    <div className="py-2">
      <p className="text-quiet">
        A link shows what is to be done to whoever holds it, to read and nothing more. Of hands and conditions
        it tells nothing unless {profile.name} agreed.
      </p>
      <LinkList
        links={profile.links}
        now={clockNow().toISOString()}
        removing={revoke.isPending}
        onRemove={(id) => revoke.mutate(id)}
      />
      <div className="mt-2">
        <NewLink
          {...{ shows: AHEAD, lasts: LASTS, usual: { ahead: AHEAD[0][0], days: LASTS[0][0] } }}
          making={make.isPending}
          onMake={(chosen) => make.mutate({ ...chosen, health }, { onSuccess: onMade })}
        />
      </div>
      <Checkbox checked={health} onChange={setHealth} className="mt-1">
        {profile.name} agreed that hands, conditions and cautions are shown too
      </Checkbox>
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
  const { form, field, onSubmit, failed, sending } = useRequestForm({
    request: InvitationRequest,
    start: { email: '' },
    bodyOf: ({ email }): InvitationRequest => ({ email }),
    send: ({ email }) => invite.mutateAsync(email),
    onSaved: (link) => {
      form.reset();
      onMade(link);
    },
  });
  const { account } = profile;
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
        <form
          onSubmit={onSubmit}
          noValidate
          aria-label="Invite"
          className="mt-1 flex flex-wrap items-end gap-2"
        >
          <Field
            label="Invite by e-mail address"
            type="email"
            className="min-w-56 grow"
            {...field('email')}
          />
          <Button type="submit" disabled={sending}>
            Make an invitation
          </Button>
        </form>
      )}
      {(remove.error ?? failed) && <Failed error={(remove.error ?? failed)!} />}
    </div>
  );
}
