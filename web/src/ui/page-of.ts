import { useEffect, useSyncExternalStore } from 'react';

/** Whom or what the open page is about, where its address alone does not say: a lifter, a venue. */
let about: string | null = null;
const listeners = new Set<() => void>();

function say(name: string | null): void {
  about = name;
  for (const listener of listeners) listener();
}

/** Names whom or what this page is about, in the title of the window. */
export function usePageOf(name: string | undefined): void {
  useEffect(() => {
    if (name === undefined) return;
    say(name);
    return () => say(null);
  }, [name]);
}

/** What the open page named. */
export function usePageSubject(): string | null {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => about,
  );
}
