/** Pages that are opened first, by their address; what follows the name of a thing in it is its id. */
const FIRST_PAGES = {
  today: /^\/()$/,
  sheet: /^\/lifters\/([0-9a-f-]{36})(?:\/|$)/,
  floor: /^\/floor\/([0-9a-f-]{36})/,
} as const;
export type FirstPage = keyof typeof FIRST_PAGES;

/** The page at an address, where it is one of those that are opened first, and whom or what it shows. */
export function firstPageAt(path: string): { readonly page: FirstPage; readonly id: string } | undefined {
  for (const [page, pattern] of Object.entries(FIRST_PAGES)) {
    const id = pattern.exec(path)?.[1];
    if (id !== undefined) return { page: page as FirstPage, id };
  }
  return undefined;
}

/** Does it show the same to a lifter? At the others a lifter has a page of their own, or none. */
export const isForLifters = (page: FirstPage): boolean => page === 'floor';
