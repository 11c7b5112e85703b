import {
  HISTORY_NAMES,
  findLift,
  formatMass,
  SCHOOLS,
  SPORT_NAMES,
  STANCE_NAMES,
  type SetRole,
  SET_ROLE_TAGS,
} from '@iron-clasp/core';
import type { BestLift, KnownHistory, ProfileView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import type { ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { FIELD_NAMES } from '../../data/lifters/field-names.ts';
import { useOlderChanges } from '../../data/lifters/lifters.ts';
import { useClubSchools } from '../../data/schools/schools.ts';

/** What was changed about the lifter, by whom and when. */
export function Changes({ profile }: { profile: ProfileView }): ReactElement {
  const copies = useClubSchools();
  const more = useOlderChanges(profile.id, profile.changes.next);
  const changes = [...profile.changes.changes, ...(more.data?.pages.flatMap((page) => page.changes) ?? [])];
  const schools = new Map([
    ...SCHOOLS.map((school) => [school.id, school.name] as const),
    ...(copies.data ?? []).map((own) => [own.id, own.school.name] as const),
  ]);
  const names: Readonly<Record<string, ReadonlyMap<string, string>>> = {
    schoolId: schools,
    sport: new Map(Object.entries(SPORT_NAMES)),
    stance: new Map(Object.entries(STANCE_NAMES)),
  };
  const said = (field: string, value: unknown): string => names[field]?.get(String(value)) ?? plain(value);
  const left = more.data ? more.hasNextPage : profile.changes.next !== null;
  return (
    <section aria-label="What was changed">
      <h2 className="border-b-2 border-ink pb-1 text-xl">What was changed</h2>
      {changes.length === 0 && <p className="py-2 text-quiet">Nothing yet.</p>}
      <ul>
        {changes.map((change) => (
          <li key={change.id} className="border-b border-rule py-1.5">
            <b>{FIELD_NAMES[change.field] ?? change.field}</b>: {said(change.field, change.before)} →{' '}
            {said(change.field, change.after)}
            <span className="block text-sm text-quiet">
              {change.by}, {format(parseISO(change.at), 'EEE d MMM yyyy, HH:mm')}
            </span>
          </li>
        ))}
      </ul>
      {left && (
        <Button className="mt-2" disabled={more.isFetching} onClick={() => void more.fetchNextPage()}>
          Older changes
        </Button>
      )}
    </section>
  );
}

/** A stored value as a person would read it. */
function plain(value: unknown): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value))
    return value.length
      ? (value as (KnownHistory | BestLift)[])
          .map((each) =>
            'liftId' in each
              ? `${findLift(each.liftId)?.name ?? each.liftId} ${formatMass(each.load, 'kg')}${each.on ? ` on ${each.on}` : ''}`
              : `${each.side ? `${each.side} ` : ''}${HISTORY_NAMES[each.kind]}${each.since ? ` since ${each.since}` : ''}${each.cleared ? ', cleared' : ''}`,
          )
          .join('; ')
      : 'none';
  if (typeof value === 'object' && value !== null)
    return Object.entries(value)
      .map(
        ([role, chance]) =>
          `${SET_ROLE_TAGS[role as SetRole] ?? role} ${Math.round(Number(chance) * 1000) / 10} %`,
      )
      .join(', ');
  return value === null || value === '' ? 'nothing' : String(value);
}
