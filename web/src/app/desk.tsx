import { lazy, Suspense, useRef, useState, type ReactElement } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Navigate, Outlet, useLocation, useMatch } from 'react-router';
import { useWide } from '../ui/use-wide.ts';
import { KeysHelp } from '../ui/keys-help.tsx';
import { useKeys } from '../ui/use-keys.ts';
import { useAccount } from '../data/session/account.ts';
import { guideAt } from '../features/guide/guide-at.ts';
import { Controls, Rack } from '../features/rack/rack.tsx';

// Fetched when it is first opened: the first screen does without it.
const CommandBox = lazy(async () => ({
  default: (await import('../features/command/command-box.tsx')).CommandBox,
}));

/** From here on the rack stands beside what is open, px. */
const BESIDE = 1024;

/** The desk: the rack on the left, the open lifter's sheet beside it. Narrow screens show one of the two. */
export function Desk(): ReactElement {
  const filter = useRef<HTMLInputElement>(null);
  const [help, setHelp] = useState(false);
  const [commands, setCommands] = useState(false);
  useHotkeys('mod+k', () => setCommands(true), { preventDefault: true, enableOnFormTags: true });
  // A narrow screen shows one of the two.
  const rackAlone = useMatch('/lifters') !== null;
  const wide = useWide(BESIDE);
  const account = useAccount();
  const { pathname } = useLocation();
  useKeys({
    '/': (event) => {
      event.preventDefault();
      filter.current?.focus();
    },
    '?': () => setHelp(true),
  });
  if (account?.lifterId) return <OwnDesk lifterId={account.lifterId} help={help} setHelp={setHelp} />;
  return (
    <div className="min-h-dvh lg:grid lg:grid-cols-[16rem_minmax(0,1fr)]">
      <a
        href="#sheet"
        className="sr-only focus:not-sr-only focus:absolute focus:z-20 focus:bg-raised focus:p-3"
      >
        Skip to the sheet
      </a>
      <aside className={`border-r border-rule lg:block ${rackAlone ? '' : 'hidden'}`}>
        <Rack filterRef={filter} onHelp={() => setHelp(true)} />
      </aside>
      <main id="sheet" tabIndex={-1} className={`min-w-0 outline-none ${rackAlone ? 'hidden lg:block' : ''}`}>
        {(wide || !rackAlone) && <Outlet />}
      </main>
      <KeysHelp open={help} guide={guideAt(pathname)} onOpenChange={setHelp} />
      {commands && (
        <Suspense>
          <CommandBox open onOpenChange={setCommands} onHelp={() => setHelp(true)} />
        </Suspense>
      )}
    </div>
  );
}

/** What a lifter has beside their sheet. */
const OWN_PAGES = ['/', '/account', '/guide'];

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
  const { pathname } = useLocation();
  const elsewhere = own?.params.id !== lifterId && !OWN_PAGES.includes(pathname);
  return (
    <div className="mx-auto flex min-h-dvh max-w-5xl flex-col">
      <main id="sheet" tabIndex={-1} className="min-w-0 grow outline-none">
        {elsewhere ? <Navigate to="/" replace /> : <Outlet />}
      </main>
      <Controls onHelp={() => setHelp(true)} />
      <KeysHelp open={help} guide={guideAt(pathname)} onOpenChange={setHelp} />
    </div>
  );
}
