import { useEffect, useRef } from 'react';

/** Keys of a screen: key name → what it does. Left alone while somebody types. */
export type Keys = Readonly<Record<string, (event: KeyboardEvent) => void>>;

export function useKeys(bindings: Keys): void {
  const latest = useRef(bindings);
  useEffect(() => {
    latest.current = bindings;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const typing =
        event.target instanceof HTMLElement &&
        event.target.closest('input, textarea, select, [contenteditable]');
      const action = latest.current[event.key];
      if (action && (!typing || event.key === 'Escape')) action(event);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
