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
      const at = event.target instanceof HTMLElement ? event.target : null;
      const typing = at?.closest('input:not([type=radio]), textarea, select, [contenteditable]');
      if (typing && event.key !== 'Escape') return;
      // Space and Enter belong to the control that has the focus; a held key acts once.
      const pressing = event.key === ' ' || event.key === 'Enter';
      if (pressing && (event.repeat || at?.closest('button, a, summary, input'))) return;
      latest.current[event.key]?.(event);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
