import { useState } from 'react';
import { useAccount } from './session/account.ts';

/** What this device remembers for the signed-in account, beside the server: a convenience, and nothing is lost where it is full. */
export function useKeptHere<Value>(name: string, start: Value): readonly [Value, (value: Value) => void] {
  const key = `iron-clasp.kept.${useAccount()?.id ?? ''}.${name}`;
  const [value, setValue] = useState<Value>(() => {
    try {
      const text = window.localStorage.getItem(key);
      return text === null ? start : (JSON.parse(text) as Value);
    } catch {
      return start;
    }
  });
  const keep = (next: Value): void => {
    setValue(next);
    try {
      window.localStorage.setItem(key, JSON.stringify(next));
    } catch {
      // No room, or forbidden: it is asked for again the next time.
    }
  };
  return [value, keep];
}
