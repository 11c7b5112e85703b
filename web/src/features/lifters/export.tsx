import type { ProfileView } from '@iron-clasp/contract';
import { useState, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { ask } from '../../data/client.ts';
import { Button } from '../../ui/button.tsx';
import { download } from '../../ui/download.ts';
import { Failed } from '../../ui/states.tsx';
import { useDeleteLifter } from '../../data/lifters/lifters.ts';

/** Everything of the lifter as a file; once archived, and exported as they stand, they can be deleted. */
export function Export({ profile }: { profile: ProfileView }): ReactElement {
  const navigate = useNavigate();
  const [receipt, setReceipt] = useState<string | null>(null);
  const [fault, setFault] = useState<Error | null>(null);
  const remove = useDeleteLifter(profile.id);
  const take = async (): Promise<void> => {
    setFault(null);
    try {
      const file = await ask<{ receipt: string }>('GET', `/lifters/${profile.id}/export`);
      download(`${profile.name}.json`, JSON.stringify(file, null, 1), 'application/json');
      setReceipt(file.receipt);
    } catch (error) {
      setFault(error as Error);
    }
  };
  return (
    <section aria-label="Export">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Export</h2>
      <p className="py-2 text-quiet">
        Everything that is kept about {profile.name}, as one JSON file.
        {profile.archived
          ? ' Once it is taken, the lifter can be deleted for good.'
          : ' Only a lifter who is archived and exported can be deleted.'}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void take()}>Export everything</Button>
        {profile.archived && receipt && (
          <Button
            disabled={remove.isPending}
            onClick={() => remove.mutate(receipt, { onSuccess: () => void navigate('/lifters/archived') })}
          >
            Delete for good
          </Button>
        )}
      </div>
      {(fault ?? remove.error) && <Failed error={fault ?? remove.error} />}
    </section>
  );
}
