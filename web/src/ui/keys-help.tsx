import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactElement } from 'react';
import { Link } from 'react-router';

const KEYS: readonly (readonly [string, string])[] = [
  ['/', 'Jump to the rack and find a lifter'],
  ['Ctrl K', 'Find a lifter, a session of today, a screen or something to do'],
  ['a and o', 'On Today: accept what is marked, open it'],
  ['↑ ↓', 'Move along the called sets, or what is to be decided'],
  ['Enter', 'Why this call, and what others would have called'],
  ['d', 'Decide otherwise for the set that is marked'],
  ['a', 'Accept the hold of the session'],
  ['n', 'Note to the lifter'],
  ['Esc', 'Close the reasons'],
  ['[ and ]', 'The session before, and after'],
  ['w', 'What if: other place, chalk, bar, rules or hands, nothing saved'],
  ['f', 'To the floor, with the hold clock'],
  ['1–6', 'On the floor: the lane of that number'],
  ['Space', 'On the floor: the set is done as called; start the clock, stop it when the bar is put down'],
  ['s', 'On the floor: the grip slipped'],
  ['u', 'On the floor: take back the last thing done'],
  ['?', 'This list'],
];

export function KeysHelp({
  open,
  guide,
  onOpenChange,
}: {
  open: boolean;
  /** Where the guide speaks of the screen that is open. */
  guide: string;
  onOpenChange: (open: boolean) => void;
}): ReactElement {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange} modal={false}>
      <Dialog.Content className="fixed left-1/2 top-8 z-30 max-h-[calc(100dvh-4rem)] w-[min(30rem,92vw)] -translate-x-1/2 overflow-y-auto border-2 border-ink bg-raised p-6">
        <Dialog.Title className="text-2xl">Keys</Dialog.Title>
        <Dialog.Description className="sr-only">Every key and what it does</Dialog.Description>
        <p className="mt-1">
          <Link to={guide} onClick={() => onOpenChange(false)} className="underline underline-offset-4">
            The guide to this screen
          </Link>
        </p>
        <dl className="mt-3 grid grid-cols-[5rem_1fr] gap-y-2">
          {KEYS.map(([key, what]) => (
            <div key={key} className="contents">
              <dt>
                <kbd className="figures border border-edge px-2 py-0.5">{key}</kbd>
              </dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
        <Dialog.Close aria-label="Close" className="absolute right-3 top-3 p-2">
          <X size={18} aria-hidden />
        </Dialog.Close>
      </Dialog.Content>
    </Dialog.Root>
  );
}
