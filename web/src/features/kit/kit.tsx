import clsx from 'clsx';
import { useState, type ReactElement } from 'react';
import { NavLink, useMatch, useNavigate, useParams } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { Empty, Failed, Loading } from '../../ui/states.tsx';
import { EMPTY_KIT } from './kit-draft.ts';
import { VenueEditor } from './venue-editor.tsx';
import { VenueSheet } from './venue-sheet.tsx';
import { useArchiveVenue, useKit } from '../../data/kit/kit.ts';
import { ToToday } from '../../ui/to-today.tsx';
import { usePageOf } from '../../ui/page-of.ts';

/** What stands where: one page a venue, drawn; changed in an editor on the same page. */
export function Kit(): ReactElement {
  const kit = useKit();
  const { venueId } = useParams();
  const fresh = useMatch('/kit/new') !== null;
  const venues = kit.data?.venues ?? [];
  const open = venues.find((venue) => venue.id === venueId) ?? (venueId ? undefined : venues[0]);
  usePageOf(fresh ? undefined : open?.kit.name);
  return (
    <div className="px-4 pb-12 pt-4 md:px-8">
      <ToToday />
      <h1 className="text-4xl">Kit</h1>
      <p className="max-w-prose text-quiet">
        What each venue has. Loads are rounded to what its plates make, calls know its bars, straps and chalk.
      </p>
      {kit.isPending && <Loading what="the kit" lines={9} />}
      {kit.error && <Failed error={kit.error} retry={() => void kit.refetch()} />}
      {kit.data && (
        <>
          <nav aria-label="Venues" className="mt-3 flex flex-wrap gap-x-6 border-b border-rule">
            {venues.map((venue) => (
              <Tab key={venue.id} to={`/kit/${venue.id}`} here={!fresh && venue.id === open?.id}>
                {venue.kit.name}
              </Tab>
            ))}
            <Tab to="/kit/new" here={fresh}>
              New venue
            </Tab>
          </nav>
          {fresh && <NewVenue />}
          {!fresh && open && <Venue key={open.id} id={open.id} />}
          {!fresh && !open && (
            <Empty title={venueId ? 'This venue is not in use' : 'No venue yet'}>
              <p>
                {venueId
                  ? 'It was archived, or is not your club’s.'
                  : 'Add the gym first: a bar and its plates are enough to start.'}
              </p>
            </Empty>
          )}
          {kit.data.archived.length > 0 && (
            <section aria-label="Archived" className="mt-10 max-w-2xl">
              <h2 className="border-b border-ink text-xl">Archived</h2>
              <ul>
                {kit.data.archived.map((venue) => (
                  <li
                    key={venue.id}
                    className="flex items-center justify-between border-b border-rule py-1.5"
                  >
                    {venue.kit.name}
                    <ArchiveButton
                      id={venue.id}
                      version={venue.version}
                      archived={false}
                      words="Take back into use"
                    />
                  </li>
                ))}
              </ul>
            </section>
          )}
        </>
      )}
    </div>
  );
}

function Tab({ to, here, children }: { to: string; here: boolean; children: string }): ReactElement {
  return (
    <NavLink
      to={to}
      aria-current={here ? 'page' : undefined}
      className={clsx(
        'figures -mb-px border-b-[3px] py-2 text-xl',
        here ? 'border-forge font-semibold' : 'border-transparent text-quiet hover:text-ink',
      )}
    >
      {children}
    </NavLink>
  );
}

function NewVenue(): ReactElement {
  // One id a form: sent again after a lost answer it is still the same venue.
  const [id] = useState(() => crypto.randomUUID());
  const navigate = useNavigate();
  return (
    <VenueEditor
      id={id}
      version={0}
      start={EMPTY_KIT()}
      onDone={(saved) => void navigate(saved ? `/kit/${id}` : '/kit')}
    />
  );
}

function Venue({ id }: { id: string }): ReactElement {
  const kit = useKit();
  const [changing, setChanging] = useState(false);
  const venue = kit.data!.venues.find((each) => each.id === id)!;
  if (changing)
    return (
      <VenueEditor id={id} version={venue.version} start={venue.kit} onDone={() => setChanging(false)} />
    );
  return (
    <>
      <VenueSheet venue={venue} />
      <div className="mt-6 flex flex-wrap gap-3">
        <Button look="action" onClick={() => setChanging(true)}>
          Edit
        </Button>
        <ArchiveButton id={id} version={venue.version} archived words="Archive the venue" />
      </div>
    </>
  );
}

function ArchiveButton({
  id,
  version,
  archived,
  words,
}: {
  id: string;
  version: number;
  archived: boolean;
  words: string;
}): ReactElement {
  const archive = useArchiveVenue(id);
  return (
    <span>
      <Button look="quiet" disabled={archive.isPending} onClick={() => archive.mutate({ archived, version })}>
        {words}
      </Button>
      {archive.error && <Failed error={archive.error} />}
    </span>
  );
}
