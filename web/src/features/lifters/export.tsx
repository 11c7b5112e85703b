import type { ProfileView } from '@iron-clasp/contract';
import type { ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useDeleteLifter } from '../../data/lifters/lifters.ts';
import { useExport } from '../../data/people/exports.ts';
import { Button } from '../../ui/button.tsx';
import { download } from '../../ui/download.ts';
import { Failed } from '../../ui/states.tsx';

/** Everything of the lifter as a file; once archived, and exported as they stand, they can be deleted. */
export function Export({ profile }: { profile: ProfileView }): ReactElement {
  const navigate = useNavigate();
  const take = useExport(profile.id);
  const remove = useDeleteLifter(profile.id);
  return (
    <section aria-label="Export">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Export</h2>
      <p className="py-2 text-quiet">
        Everything that is kept about {profile.name} in one zip: tables for a spreadsheet, and rows that come
        back into Iron Clasp, here or in another club.
        {profile.archived
          ? ' Once it is taken, the lifter can be deleted for good.'
          : ' Only a lifter who is archived and exported can be deleted.'}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={take.isPending}
          onClick={() =>
            take.mutate(undefined, { onSuccess: ({ content }) => download(`${profile.name}.zip`, content) })
          }
        >
          {take.isPending ? 'Exporting …' : 'Export everything'}
        </Button>
        {profile.archived && take.data && (
          <Button
            disabled={remove.isPending}
            onClick={() =>
              remove.mutate(take.data.receipt, { onSuccess: () => void navigate('/lifters/archived') })
            }
          >
            Delete for good
          </Button>
        )}
      </div>
      {(take.error ?? remove.error) && <Failed error={take.error ?? remove.error} />}
    </section>
  );
}
