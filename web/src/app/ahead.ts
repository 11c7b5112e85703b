/*
 * By itself and before everything else: the pages that are opened first are fetched while the rest is still on its way. Without
 * it a page is asked for only once the router has been fetched, read and run.
 */
const FIRST: readonly (readonly [RegExp, () => readonly Promise<unknown>[]])[] = [
  [/^\/$/, () => [import('./signed-in.tsx'), import('./desk.tsx'), import('../features/today/today.tsx')]],
  [/^\/floor\//, () => [import('./signed-in.tsx'), import('../features/floor/floor.tsx')]],
];

for (const [path, fetched] of FIRST)
  if (path.test(window.location.pathname))
    // What does not come is asked for again by the router, which says so.
    void Promise.allSettled(fetched());
