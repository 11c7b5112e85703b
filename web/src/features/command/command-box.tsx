import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import {
  useDeferredValue,
  useEffect,
  useRef,
  useState,
  type ReactElement,
  type ReactNode,
  type RefObject,
} from 'react';
import { useMatch, useNavigate } from 'react-router';
import { useRack, useToday } from '../../data/lifters/rack.ts';
import { usePreferences, useSession } from '../../data/session/session.ts';
import { useSignOut } from '../../parts/session/use-sign-out.ts';
import { useIsOwner } from '../../data/session/use-is-coach.ts';
import { fitOf, LIFTER_SCREENS, OWNER_SCREENS, SCREENS } from './screens.ts';

/** Finds lifters, today's sessions, screens and actions by what is typed; opened by Ctrl-K. */
export function CommandBox({
  open,
  onOpenChange,
  onHelp,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  onHelp: () => void;
}): ReactElement {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-[12dvh] z-50 flex max-h-[70dvh] w-[min(36rem,94vw)] -translate-x-1/2 flex-col rounded-sm border-2 border-ink bg-raised text-ink shadow-lg"
        >
          <Dialog.Title className="sr-only">Go to or do</Dialog.Title>
          <Commands onDone={() => onOpenChange(false)} onHelp={onHelp} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Commands({ onDone, onHelp }: { onDone: () => void; onHelp: () => void }): ReactElement {
  const [typed, setTyped] = useState('');
  const find = useDeferredValue(typed.trim());
  const rack = useRack(find);
  const today = useToday();
  const account = useSession().data?.account;
  const owner = useIsOwner();
  const preferences = usePreferences();
  const signOut = useSignOut();
  const navigate = useNavigate();
  const at = useMatch('/lifters/:id/*');
  const box = useActiveItem();
  const lifters = rack.data?.pages.flatMap((page) => page.lifters) ?? [];
  const here = lifters.find((each) => each.id === at?.params.id);
  const go = (to: string) => () => {
    onDone();
    void navigate(to);
  };
  const act = (what: () => void) => () => {
    onDone();
    what();
  };
  return (
    // What fits a name is the server's answer; the rest is narrowed here, by the words typed.
    <Command ref={box} label="Go to or do" filter={fitOf} loop className="flex min-h-0 flex-col">
      <Command.Input
        value={typed}
        onValueChange={setTyped}
        placeholder="A lifter, a session, a screen, something to do"
        className="border-b border-rule bg-transparent px-4 py-3 text-lg outline-none placeholder:text-quiet"
      />
      <Command.List className="min-h-0 overflow-y-auto p-2">
        <Command.Empty className="px-3 py-4 text-quiet">Nothing here is called “{typed}”.</Command.Empty>
        <Group heading="Lifters">
          {lifters.slice(0, 8).map((each) => (
            <Item key={each.id} value={`lifter ${each.name}`} onSelect={go(`/lifters/${each.id}/calls`)}>
              {each.name}
            </Item>
          ))}
        </Group>
        <Group heading="Sessions of today">
          {(today.data?.sessions ?? []).map((each) => (
            <Item
              key={each.id}
              value={`floor ${each.lifterName} ${each.title}`}
              onSelect={go(`/floor/${each.id}`)}
            >
              {each.lifterName}, {each.title}: to the floor
            </Item>
          ))}
        </Group>
        {at?.params.id && (
          <Group heading={here ? `Of ${here.name}` : 'Of the open lifter'}>
            {LIFTER_SCREENS.map(([path, words]) => (
              <Item
                key={path}
                value={`${words} of the open lifter`}
                onSelect={go(`/lifters/${at.params.id}/${path}`)}
              >
                {words}
              </Item>
            ))}
          </Group>
        )}
        <Group heading="Screens">
          {[...SCREENS, ...(owner ? OWNER_SCREENS : [])].map(([path, words]) => (
            <Item key={path} value={words} onSelect={go(path)}>
              {words}
            </Item>
          ))}
        </Group>
        <Group heading="Actions">
          <Item
            value="loads in kilograms or pounds, unit"
            onSelect={act(() => preferences.mutate({ unit: account?.unit === 'kg' ? 'lb' : 'kg' }))}
          >
            Loads in {account?.unit === 'kg' ? 'pounds' : 'kilograms'}
          </Item>
          <Item
            value="light or dark theme"
            onSelect={act(() => preferences.mutate({ theme: account?.theme === 'light' ? 'dark' : 'light' }))}
          >
            {account?.theme === 'light' ? 'Dark' : 'Light'} theme
          </Item>
          <Item value="keys, shortcuts, help" onSelect={act(onHelp)}>
            List of keys
          </Item>
          <Item value="sign out" onSelect={act(() => signOut.mutate())}>
            Sign out
          </Item>
        </Group>
      </Command.List>
    </Command>
  );
}

/**
 * Keeps the item that a screen reader is told of the one that is chosen: the list names the one chosen before, which may have
 * been narrowed away.
 */
function useActiveItem(): RefObject<HTMLDivElement | null> {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const root = box.current!;
    const tell = (): void => {
      const id = root.querySelector('[cmdk-item][aria-selected=true]')?.id;
      for (const each of root.querySelectorAll('[cmdk-input], [cmdk-list]')) {
        if (each.getAttribute('aria-activedescendant') === (id ?? null)) continue;
        if (id) each.setAttribute('aria-activedescendant', id);
        else each.removeAttribute('aria-activedescendant');
      }
    };
    const watch = new MutationObserver(tell);
    const attributeFilter = ['aria-selected', 'aria-activedescendant'];
    watch.observe(root, { subtree: true, childList: true, attributes: true, attributeFilter });
    tell();
    return () => watch.disconnect();
  }, []);
  return box;
}

function Group({ heading, children }: { heading: string; children: ReactNode }): ReactElement {
  return (
    <Command.Group
      heading={heading}
      className="[&_[cmdk-group-heading]]:label [&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2"
    >
      {children}
    </Command.Group>
  );
}

function Item({
  value,
  onSelect,
  children,
}: {
  value: string;
  onSelect: () => void;
  children: ReactNode;
}): ReactElement {
  return (
    <Command.Item
      value={value}
      onSelect={onSelect}
      className="flex min-h-9 cursor-pointer items-center rounded-sm px-3 data-[selected=true]:bg-forge data-[selected=true]:text-on-forge"
    >
      {children}
    </Command.Item>
  );
}
