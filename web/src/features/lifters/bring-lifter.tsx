import { useState, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useBringLifter } from '../../data/people/exports.ts';
import { Button } from '../../ui/button.tsx';
import { FileField } from '../../ui/file-field.tsx';
import { Failed } from '../../ui/states.tsx';

/** A lifter who was exported comes back, or moves in from another club. */
export function BringLifter(): ReactElement {
  const navigate = useNavigate();
  const bring = useBringLifter();
  const [file, setFile] = useState<File>();
  return (
    <section aria-label="Bring a lifter in" className="mt-8 grid max-w-2xl gap-3">
      <h2 className="border-b-2 border-ink pb-1 text-xl">Bring a lifter in</h2>
      <p className="text-quiet">
        From an export of Iron Clasp: somebody who was deleted here, or who comes from another club with
        everything they have done.
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <FileField
          label="Export of a lifter (zip)"
          accept=".zip,application/zip"
          chosen={file?.name}
          onChange={setFile}
        />
        <Button
          look="action"
          disabled={!file || bring.isPending}
          onClick={() =>
            file &&
            bring.mutate(file, { onSuccess: ({ lifterId }) => void navigate(`/lifters/${lifterId}/profile`) })
          }
        >
          {bring.isPending ? 'Bringing in …' : 'Bring in'}
        </Button>
      </div>
      {bring.error && <Failed error={bring.error} />}
    </section>
  );
}
