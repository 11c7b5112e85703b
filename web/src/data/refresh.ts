import { hashKey, type Query, type QueryClient, type QueryKey } from '@tanstack/react-query';

/** What the write itself answered with: it is taken as it is and not asked for again. */
export interface Answered {
  readonly key: QueryKey;
  readonly data: unknown;
}

/** A lifter was changed, or something that only they have: everything of theirs, of their sessions and of the club's lists. */
export function lifterChanged(client: QueryClient, lifterId: string, answered?: Answered): void {
  refresh(client, answered, ([owner, id]) => owner === 'club' || owner === 'training' || id === lifterId);
}

/** Something that several lifters stand on was changed: a venue, a school. */
export function clubChanged(client: QueryClient, answered?: Answered): void {
  refresh(client, answered, ([owner]) => owner === 'club' || owner === 'training' || owner === 'lifter');
}

/**
 * Something was logged. What the floor reads stays: what was logged is laid over it, and an answer to a question asked between
 * two taps would be older than the second.
 */
export function logged(client: QueryClient, lifterId: string, fresh: QueryKey): void {
  const known = hashKey(fresh);
  refresh(client, undefined, (key) => {
    const [owner, id, noun] = key;
    if (owner === 'training') return noun !== 'floor' && hashKey(key) !== known;
    return owner === 'club' || id === lifterId;
  });
}

/** Fetches anew what is on the screen, and the rest when it is next looked at. */
function refresh(
  client: QueryClient,
  answered: Answered | undefined,
  touched: (key: QueryKey) => boolean,
): void {
  const known = answered && hashKey(answered.key);
  if (answered) client.setQueryData(answered.key, answered.data);
  const predicate = ({ queryKey, queryHash }: Query): boolean => queryHash !== known && touched(queryKey);
  void client.invalidateQueries({ predicate });
}
