import { format } from 'date-fns';
import { FilePen } from 'lucide-react';
import type { ReactElement } from 'react';
import { Button } from './button.tsx';

/** Says that what stands in a form was typed before and not saved, and lets it be thrown away. */
export function DraftNote({ at, onDiscard }: { at: Date; onDiscard: () => void }): ReactElement {
  return (
    <div
      role="status"
      className="flex flex-wrap items-center gap-3 border-l-4 border-verdigris bg-raised px-3 py-2"
    >
      <FilePen size={18} aria-hidden className="text-verdigris" />
      <span className="grow">Your draft of {format(at, 'd MMM, HH:mm')} is back; it is not saved yet.</span>
      <Button onClick={onDiscard}>Discard draft</Button>
    </div>
  );
}
