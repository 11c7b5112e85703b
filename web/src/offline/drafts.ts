import { useEffect, useRef, useState } from 'react';
import { useAccount } from '../data/session/account.ts';
import { useToast } from '../ui/toast.tsx';

const PREFIX = 'iron-clasp.draft.';

interface Kept<Value> {
  readonly value: Value;
  /** The version of what is edited that the draft began from; 0 for something new. */
  readonly version: number;
  /** When it was last typed in, ISO 8601. */
  readonly at: string;
}

/** What is typed and not saved, on this device: it outlives a change of page, a reload and a sign-out. */
export interface Draft<Value extends object> {
  readonly value: Value;
  readonly set: (part: Partial<Value>) => void;
  /** When the draft that was found here was typed, and from which version; null where nothing was found. */
  readonly found: { readonly at: Date; readonly version: number } | null;
  /** Forgets the draft and starts from this. */
  readonly discard: (start: Value) => void;
  /** The draft is saved, or given up: leaving says nothing. */
  readonly done: () => void;
}

/** The key of a draft of the signed-in account, so that nobody finds what another has typed. */
const keyOf = (accountId: string | undefined, name: string): string => `${PREFIX}${accountId ?? ''}.${name}`;

export function readDraft<Value>(store: Pick<Storage, 'getItem'>, key: string): Kept<Value> | null {
  try {
    const text = store.getItem(key);
    return text === null ? null : (JSON.parse(text) as Kept<Value>);
  } catch {
    // Unreadable or forbidden: the form starts as it would without one.
    return null;
  }
}

/** Does a draft of that name wait on this device? */
export function useHasDraft(name: string): boolean {
  const key = keyOf(useAccount()?.id, name);
  return readDraft(window.localStorage, key) !== null;
}

/**
 * The content of a form, kept as a draft while it is typed in.
 * @param name what is edited, one name a form and thing.
 * @param start what stands in the form where there is no draft.
 * @param version of what is edited.
 */
export function useDraft<Value extends object>(name: string, start: Value, version: number): Draft<Value> {
  const key = keyOf(useAccount()?.id, name);
  const say = useToast();
  const [kept, setKept] = useState(() => readDraft<Value>(window.localStorage, key));
  const [value, setValue] = useState<Value>(() => ({ ...start, ...kept?.value }));
  const unsaved = useRef(kept !== null);
  const forget = (): void => {
    unsaved.current = false;
    try {
      window.localStorage.removeItem(key);
    } catch {
      // Nothing was kept either.
    }
  };
  useEffect(
    () => () => {
      if (unsaved.current) say('What you typed is kept as a draft.');
    },
    [say],
  );
  return {
    value,
    set: (part) => {
      const next = { ...value, ...part };
      setValue(next);
      unsaved.current = true;
      const draft: Kept<Value> = {
        value: next,
        version: kept?.version ?? version,
        at: new Date().toISOString(),
      };
      try {
        window.localStorage.setItem(key, JSON.stringify(draft));
      } catch {
        // No room: it stays as long as the page does.
      }
    },
    found: kept && { at: new Date(kept.at), version: kept.version },
    discard: (from) => {
      forget();
      setKept(null);
      setValue(from);
    },
    done: forget,
  };
}
