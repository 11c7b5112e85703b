import { AlertDialog } from 'radix-ui';
import type { ReactElement } from 'react';
import { Button } from './button.tsx';

/** Asks before what cannot be taken back; everything else is done at once and undone. */
export function Ask({
  title,
  words,
  confirm,
  onConfirm,
  children,
}: {
  title: string;
  /** What will be, and what stays. */
  words: string;
  confirm: string;
  onConfirm: () => void;
  /** The button that opens it. */
  children: ReactElement;
}): ReactElement {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>{children}</AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <AlertDialog.Content className="fixed left-1/2 top-1/3 z-50 grid w-[min(28rem,92vw)] -translate-x-1/2 -translate-y-1/3 gap-3 border-2 border-ink bg-raised p-6 text-ink">
          <AlertDialog.Title className="text-2xl">{title}</AlertDialog.Title>
          <AlertDialog.Description>{words}</AlertDialog.Description>
          <div className="flex flex-wrap justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <Button>Cancel</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button look="action" onClick={onConfirm}>
                {confirm}
              </Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
