import type { ReactElement } from 'react';
import { Outlet } from 'react-router';
import { useIsCoach, useIsOwner } from '../../data/session/use-is-coach.ts';
import { Parts } from '../../ui/parts.tsx';
import { ToToday } from '../../ui/to-today.tsx';

const PARTS = [
  ['/club', 'Who needs attention', 'coach'],
  ['/club/import', 'Import', 'coach'],
  ['/club/people', 'People', 'owner'],
  ['/club/settings', 'Settings', 'owner'],
  ['/club/backups', 'Backups', 'owner'],
  ['/club/export', 'Export', 'owner'],
  ['/club/api', 'API', 'owner'],
  ['/club/deeds', 'Who did what', 'owner'],
] as const;

/** The club as a whole; people, settings and records are its owners'. */
export function ClubPage(): ReactElement {
  const [coach, owner] = [useIsCoach(), useIsOwner()];
  return (
    <div className="px-4 pb-12 pt-4 md:px-8">
      <ToToday />
      <h1 className="text-4xl">The club</h1>
      {coach && (
        <Parts
          name="Parts of the club"
          parts={PARTS.filter(([, , whose]) => owner || whose === 'coach').map(([to, words]) => [to, words])}
        />
      )}
      <Outlet />
    </div>
  );
}
