import { useState, type ReactElement } from 'react';
import { useClubExport, useDeleteClub, useDeleteDemo, useExport } from '../../data/people/exports.ts';
import { useSession } from '../../data/session/session.ts';
import { Ask } from '../../ui/ask.tsx';
import { Button } from '../../ui/button.tsx';
import { download } from '../../ui/download.ts';
import { Field } from '../../ui/field.tsx';
import { Failed, Loading } from '../../ui/states.tsx';
import { useToast } from '../../ui/toast.tsx';

/** The whole club as a file that comes back, and what can be deleted once it is taken. */
export function ClubExport(): ReactElement {
  const about = useClubExport();
  const take = useExport();
  const club = useSession().data?.club.name ?? 'club';
  return (
    <section aria-label="Export of the club" className="mt-3 grid max-w-3xl gap-8">
      <div className="grid gap-3">
        <p className="text-xl">Everything that is kept of {club}, in one zip.</p>
        <ul className="grid list-disc gap-1 pl-5 text-quiet">
          <li>Tables for a spreadsheet: lifters, sessions, sets, holds, hands, squeezes, grippers, meets.</li>
          <li>
            The same to the letter, with checksums: it comes back into an empty installation of Iron Clasp, on
            the page that starts a club.
          </li>
          <li>No passwords, and no links that open something: people choose new passwords there.</li>
        </ul>
        <Button
          look="action"
          className="justify-self-start"
          disabled={take.isPending}
          onClick={() =>
            take.mutate(undefined, { onSuccess: ({ content }) => download(`${club}.zip`, content) })
          }
        >
          {take.isPending ? 'Exporting …' : 'Export the club'}
        </Button>
        {take.error && <Failed error={take.error} />}
      </div>
      {about.isPending && <Loading what="what can be deleted" lines={2} />}
      {about.error && <Failed error={about.error} retry={() => void about.refetch()} />}
      {about.data?.demo && <Demo name={about.data.demo} />}
      {about.data?.own && <DeleteClub club={club} receipt={take.data?.receipt} />}
    </section>
  );
}

function Demo({ name }: { name: string }): ReactElement {
  const remove = useDeleteDemo();
  const say = useToast();
  return (
    <div className="grid gap-3">
      <h2 className="border-b-2 border-ink pb-1 text-xl">The demo club</h2>
      <p className="text-quiet">
        {name} is still here beside your club, kept apart from it: nobody of one sees the other. Whoever signs
        in with the demo’s password sees invented lifters only.
      </p>
      <Ask
        title="Delete the demo club?"
        words={`${name} and everything invented in it goes for good. Your own club stays as it is.`}
        confirm="Delete the demo club"
        onConfirm={() => remove.mutate(undefined, { onSuccess: () => say('The demo club is deleted.') })}
      >
        <Button className="justify-self-start" disabled={remove.isPending}>
          Delete the demo club
        </Button>
      </Ask>
      {remove.error && <Failed error={remove.error} />}
    </div>
  );
}

function DeleteClub({ club, receipt }: { club: string; receipt: string | undefined }): ReactElement {
  const remove = useDeleteClub();
  const [typed, setTyped] = useState('');
  const named = typed.trim().toLowerCase() === club.trim().toLowerCase();
  return (
    <div className="grid gap-3">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Delete the club</h2>
      <p className="text-quiet">
        Every lifter, every session and every account of {club} goes for good, yours too.{' '}
        {receipt === undefined
          ? 'Export the club first: nothing is deleted that was not taken out as it stands.'
          : 'It is exported. Type its name to delete it.'}
      </p>
      {receipt !== undefined && (
        <>
          <Field
            label="Name of the club"
            autoComplete="off"
            className="max-w-80"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Ask
            title={`Delete ${club}?`}
            words="Only the export that you took brings it back."
            confirm="Delete for good"
            // Whatever the page still holds is of a club that is no more.
            onConfirm={() => remove.mutate(receipt, { onSuccess: () => window.location.assign('/sign-in') })}
          >
            <Button className="justify-self-start" disabled={!named || remove.isPending}>
              Delete the club
            </Button>
          </Ask>
          {remove.error && <Failed error={remove.error} />}
        </>
      )}
    </div>
  );
}
