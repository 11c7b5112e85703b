import DataLoader from 'dataloader';
import type { DataSource, EntityManager } from 'typeorm';

/** Owners whose rows are read with one query. */
const MOST = 200;

/**
 * Reads for all who ask within one turn of the loop with one query: a page that calls a dozen sessions asks the same of a dozen
 * lifters, and a dozen queries cost a dozen times what is said around their rows. Nothing is kept from turn to turn. Rows that
 * two ask for are the same objects: they are read, not changed.
 * @param read the rows of several owners; `given` is what else is asked, such as a day.
 * @param ownerOf whose a row is.
 * @returns reads of owners; their rows in the order in which `read` gives them. Several owners are together as they are.
 */
export function together<Row>(
  read: (owners: readonly string[], given: string) => Promise<readonly Row[]>,
  ownerOf: (row: Row) => string,
): (owners: readonly string[], given?: string) => Promise<Row[]> {
  const loader = new DataLoader<Asked, Row[]>(
    async (asked) => {
      const rows = new Map<string, Map<string, Row[]>>();
      for (const { owner, given } of asked) {
        const of = rows.get(given) ?? new Map<string, Row[]>();
        rows.set(given, of.set(owner, []));
      }
      await Promise.all(
        [...rows].map(async ([given, of]) => {
          for (const row of await read([...of.keys()], given)) of.get(ownerOf(row))?.push(row);
        }),
      );
      return asked.map(({ owner, given }) => [...rows.get(given)!.get(owner)!]);
    },
    { cache: false, maxBatchSize: MOST },
  );
  return async (owners, given = '') =>
    owners.length === 1 ? loader.load({ owner: owners[0]!, given }) : [...(await read(owners, given))];
}

/** The same for what transactions read too: each by its own connection, and with nobody else. */
export function togetherOrWithin<Row>(
  db: () => DataSource,
  read: (owners: readonly string[], manager: EntityManager) => Promise<Row[]>,
  ownerOf: (row: Row) => string,
): (owners: readonly string[], within?: EntityManager) => Promise<Row[]> {
  const outside = together((owners) => read(owners, db().manager), ownerOf);
  return (owners, within) => (within ? read(owners, within) : outside(owners));
}

interface Asked {
  readonly owner: string;
  readonly given: string;
}
