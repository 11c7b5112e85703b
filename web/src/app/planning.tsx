import { Eye } from 'lucide-react';
import type { ReactElement, ReactNode } from 'react';
import { useIsCoach } from '../data/session/use-is-coach.ts';

/** A page on which coaches plan: whoever else reads it sees all of it and changes none of it. */
export function Planning({ children }: { children: ReactNode }): ReactElement {
  const coach = useIsCoach();
  if (coach) return <>{children}</>;
  return (
    <>
      <p className="flex items-center gap-2 px-4 pt-3 text-quiet md:px-0">
        <Eye size={18} aria-hidden className="shrink-0" /> You read here; a coach of the club changes it.
      </p>
      <fieldset disabled className="contents">
        {children}
      </fieldset>
    </>
  );
}
