import { lazy, Suspense, useRef, useState, type ReactElement } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Navigate, Outlet, useMatch } from 'react-router';
import { KeysHelp } from '../ui/keys-help.tsx';
import { useKeys } from '../ui/use-keys.ts';
import { useAccount } from '../data/session/account.ts';
import { Controls, Rack } from '../features/rack/rack.tsx';

// Fetched when it is first opened: the first screen does without it.
const CommandBox = lazy(async () => ({
  default: (await import('../features/command/command-box.tsx')).CommandBox,
}));

/** The desk: the rack on the left, the open lifter's sheet beside it. Narrow screens show one of the two. */
export function Desk(): ReactElement {
  const filter = useRef<HTMLInputElement>(null);
  const [help, setHelp] = useState(false);
  const [commands, setCommands] = useState(false);
  useHotkeys('mod+k', () => setCommands(true), { preventDefault: true, enableOnFormTags: true });
  // On a narrow screen whatever is open takes the rack's place.
  const open = useMatch('/') === null;
  const account = useAccount();
  useKeys({
    '/': (event) => {
      event.preventDefault();
      filter.current?.focus();
    },
    '?': () => setHelp(true),
  });
  if (account?.lifterId) return <OwnDesk lifterId={account.lifterId} help={help} setHelp={setHelp} />;
  return (
    <div className="min-h-dvh lg:grid lg:grid-cols-[19rem_minmax(0,1fr)]">
      <a
        href="#sheet"
        className="sr-only focus:not-sr-only focus:absolute focus:z-20 focus:bg-raised focus:p-3"
      >
        Skip to the sheet
      </a>
      <aside className={`border-r border-rule lg:block ${open ? 'hidden' : ''}`}>
        <Rack filterRef={filter} onHelp={() => setHelp(true)} />
      </aside>
      <main id="sheet" tabIndex={-1} className={`min-w-0 outline-none ${open ? '' : 'hidden lg:block'}`}>
        <Outlet />
      </main>
      <KeysHelp open={help} onOpenChange={setHelp} />
      {commands && (
        <Suspense>
          <CommandBox open onOpenChange={setCommands} onHelp={() => setHelp(true)} />
        </Suspense>
      )}
    </div>
  );
}

/** A lifter's own desk: their sheet and nothing of the club. */
function OwnDesk({
  lifterId,
  help,
  setHelp,
}: {
  lifterId: string;
  help: boolean;
  setHelp: (open: boolean) => void;
}): ReactElement {
  const own = useMatch('/lifters/:id/*');
  const elsewhere = own?.params.id !== lifterId;
  return (
    <div className="mx-auto flex min-h-dvh max-w-5xl flex-col">
      <main id="sheet" tabIndex={-1} className="min-w-0 grow outline-none">
        {elsewhere ? <Navigate to={`/lifters/${lifterId}/calls`} replace /> : <Outlet />}
      </main>
      <Controls onHelp={() => setHelp(true)} />
      <KeysHelp open={help} onOpenChange={setHelp} />
    </div>
  );
}
