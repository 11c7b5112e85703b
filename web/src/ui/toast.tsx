import { X } from 'lucide-react';
import { Toast as Radix } from 'radix-ui';
import { createContext, useCallback, useContext, useState, type ReactElement, type ReactNode } from 'react';
import { Button } from './button.tsx';

interface Toast {
  readonly id: string;
  readonly words: string;
  readonly undo?: (() => void) | undefined;
}

type Say = (words: string, undo?: () => void) => void;

const ToastContext = createContext<Say>(() => undefined);

/** Says what was done, with a way back where there is one. */
export const useToast = (): Say => useContext(ToastContext);

/** How long a word stands, ms; one that can be undone longer. */
const STANDS = 6_000;
const UNDO_STANDS = 12_000;

/** Where the words of every page below are shown: at the bottom, one above another, until they are read. */
export function Toasts({ children }: { children: ReactNode }): ReactElement {
  const [toasts, setToasts] = useState<readonly Toast[]>([]);
  const say = useCallback<Say>((words, undo) => {
    // The last few: a word that scrolled away says nothing.
    setToasts((before) => [...before.slice(-2), { id: crypto.randomUUID(), words, undo }]);
  }, []);
  const drop = (id: string): void => setToasts((before) => before.filter((each) => each.id !== id));
  return (
    <ToastContext value={say}>
      <Radix.Provider swipeDirection="right" label="Said">
        {children}
        {toasts.map(({ id, words, undo }) => (
          <Radix.Root
            key={id}
            duration={undo ? UNDO_STANDS : STANDS}
            onOpenChange={(open) => !open && drop(id)}
            className="flex items-center gap-3 rounded-sm border border-ink bg-raised px-4 py-2 text-ink shadow-lg"
          >
            <Radix.Description className="grow">{words}</Radix.Description>
            {undo && (
              <Radix.Action altText="Undo it on the page" asChild>
                <Button onClick={undo}>Undo</Button>
              </Radix.Action>
            )}
            <Radix.Close aria-label="Dismiss" className="p-2">
              <X size={16} aria-hidden />
            </Radix.Close>
          </Radix.Root>
        ))}
        <Radix.Viewport className="no-print fixed top-3 right-3 z-50 grid w-[min(26rem,calc(100vw-1.5rem))] gap-2 outline-none sm:top-auto sm:bottom-3" />
      </Radix.Provider>
    </ToastContext>
  );
}
