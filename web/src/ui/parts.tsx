import clsx from 'clsx';
import type { ReactElement } from 'react';
import { NavLink } from 'react-router';

/** The parts of a page, each with an address of its own: beside the one that is open, or whole from `/`. */
export function Parts({
  name,
  parts,
}: {
  name: string;
  parts: readonly (readonly [string, string])[];
}): ReactElement {
  return (
    <nav aria-label={name} className="flex flex-wrap gap-x-6 pt-3">
      {parts.map(([to, words]) => (
        <NavLink
          key={to}
          to={to.startsWith('/') ? to : `../${to}`}
          relative="path"
          end
          className={({ isActive }) =>
            clsx(
              'py-1 text-lg',
              isActive ? 'font-semibold underline decoration-2 underline-offset-8' : 'text-quiet',
            )
          }
        >
          {words}
        </NavLink>
      ))}
    </nav>
  );
}

/** The curve, what it means for the lifts of the next session, and the lifter against their own history. */
export const CURVE_PARTS = [
  ['curve', 'Load against seconds'],
  ['ramp', 'Ramp'],
  ['compare', 'Compare'],
  ['track-record', 'Track record'],
] as const;

/** What a dynamometer says, and which grippers a hand closes. */
export const SQUEEZE_PARTS = [
  ['squeeze', 'Dynamometer'],
  ['grippers', 'Grippers'],
] as const;
