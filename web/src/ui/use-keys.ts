import { useHotkeys } from 'react-hotkeys-hook';

/** Keys of a screen: key name → what it does. Left alone while somebody types. */
export type Keys = Readonly<Record<string, (event: KeyboardEvent) => void>>;

export function useKeys(bindings: Keys): void {
  // Any key, by what it writes: "?" and "[" lie elsewhere on every keyboard.
  useHotkeys('*', (event) => bindings[event.key]?.(event), {
    enableOnFormTags: true,
    enableOnContentEditable: true,
    preventDefault: false,
    ignoreEventWhen: belongsElsewhere,
  });
}

/** Does a key belong to the browser, to a field that is typed in, or to the control that has the focus? */
function belongsElsewhere(event: KeyboardEvent): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey) return true;
  const at = event.target instanceof HTMLElement ? event.target : null;
  const typing = at?.closest('input:not([type=radio]), textarea, select, [contenteditable]');
  if (typing && event.key !== 'Escape') return true;
  // Space and Enter belong to the control that has the focus; a held key acts once.
  const pressing = event.key === ' ' || event.key === 'Enter';
  return pressing && (event.repeat || Boolean(at?.closest('button, a, summary, input')));
}
