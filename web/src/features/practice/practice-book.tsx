import clsx from 'clsx';
import type { ReactElement } from 'react';
import { NavLink, Outlet } from 'react-router';
import { ToToday } from '../../ui/to-today.tsx';

const PARTS = [
  ['schools', 'Schools'],
  ['rules', 'Rules'],
  ['lifts', 'Lifts and exercises'],
  ['holds', 'Holds'],
  ['set-up', 'Setting up'],
  ['curve', 'The curve'],
  ['slips', 'Slips and mistakes'],
] as const;

/** The practice book: what the engine reads, in the words of the trade, to be looked up and argued with. */
export function PracticeBook(): ReactElement {
  return (
    <div className="px-4 pb-12 pt-4 md:px-8">
      <ToToday />
      <h1 className="text-4xl">Practice book</h1>
      <p className="max-w-prose text-quiet">
        Everything the calls and prescriptions rest on. Figures are working defaults; a lifter’s own log
        replaces them where it can.
      </p>
      <nav aria-label="Practice book" className="mt-3 flex flex-wrap gap-x-6 border-b border-rule">
        {PARTS.map(([to, words]) => (
          <NavLink
            key={to}
            to={to}
            className={({ isActive }) =>
              clsx(
                'figures -mb-px border-b-[3px] py-2 text-xl',
                isActive ? 'border-forge font-semibold' : 'border-transparent text-quiet hover:text-ink',
              )
            }
          >
            {words}
          </NavLink>
        ))}
      </nav>
      <Outlet />
    </div>
  );
}
