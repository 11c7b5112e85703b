import { CircleAlert, TriangleAlert } from 'lucide-react';
import type { ReactElement, ReactNode } from 'react';
import { Link } from 'react-router';
import { Button } from './button.tsx';

/** Something is on its way: quiet lines where the content will stand. */
export function Loading({ what, lines = 5 }: { what: string; lines?: number }): ReactElement {
  return (
    <div role="status" aria-label={`Loading ${what}`} className="grid gap-3 py-4">
      {Array.from({ length: lines }, (_, i) => (
        <div
          key={i}
          aria-hidden
          className="h-5 animate-pulse bg-rule/60"
          style={{ width: `${92 - ((i * 17) % 40)}%` }}
        />
      ))}
    </div>
  );
}

/** What kept a form from being sent, said beside its button: the field may be out of sight; `path` where the message names no field. */
export function NotSaved({ path, message }: { path?: string; message: string }): ReactElement {
  return (
    <p role="alert" className="text-oxblood">
      {path === undefined
        ? `Not saved yet. ${message}`
        : `Not saved yet: ${path} ${message.charAt(0).toLowerCase()}${message.slice(1)}`}
    </p>
  );
}

/**
 * What happened, what was kept, and what to do. What was refused is not tried again, for it would be refused again: only
 * where somebody else changed the same meanwhile.
 */
export function Failed({ error, retry }: { error: unknown; retry?: () => void }): ReactElement {
  const message = error instanceof Error ? error.message : 'Something went wrong. Try again.';
  const missing = error instanceof Error && 'status' in error && error.status === 404;
  const refused =
    error instanceof Error &&
    'passing' in error &&
    !error.passing &&
    !('code' in error && error.code === 'changed-meanwhile');
  return (
    <div
      role="alert"
      className="my-4 flex flex-wrap items-center gap-3 border-l-4 border-oxblood bg-raised px-4 py-3"
    >
      <CircleAlert aria-hidden className="shrink-0 text-oxblood" size={20} />
      <p className="grow">{message}</p>
      {missing ? (
        <Link to="/" className="underline underline-offset-4">
          To Today
        </Link>
      ) : (
        retry && !refused && <Button onClick={retry}>Try again</Button>
      )}
    </div>
  );
}

/** Nothing there yet, and how it would come to be. */
export function Empty({
  title,
  page = false,
  children,
}: {
  title: string;
  page?: boolean;
  children: ReactNode;
}): ReactElement {
  const Heading = page ? 'h1' : 'h2';
  return (
    <div className="my-6 border-y border-rule py-6">
      <Heading className="text-2xl">{title}</Heading>
      <div className="mt-2 max-w-prose text-quiet">{children}</div>
    </div>
  );
}

/** A caution that stands where it applies. */
export function Caution({ children, stop = false }: { children: ReactNode; stop?: boolean }): ReactElement {
  return (
    <p data-caution className={`flex gap-2 ${stop ? 'text-oxblood' : 'text-ochre'}`}>
      <TriangleAlert aria-hidden size={18} className="mt-0.5 shrink-0" />
      <span>{children}</span>
    </p>
  );
}
