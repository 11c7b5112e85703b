import { useEffect, useState, type ReactElement } from 'react';
import { useSyncExternalStore } from 'react';
import { clocks } from './clocks.ts';
import { Button } from '../ui/button.tsx';

/** How long until keeping the application is tried again, ms; each further try waits twice as long. */
const AGAIN_MS = 2_000;

/** Starts keeping the application for days without a network; tells when a newer version waits. */
export function keepOffline(onWaiting: (worker: ServiceWorker) => void, again = AGAIN_MS): void {
  if (!('serviceWorker' in navigator) || !import.meta.env.PROD) return;
  void navigator.serviceWorker
    .register('/sw.js')
    .then((registration) => {
      const watch = (found: ServiceWorker | null): void =>
        found?.addEventListener('statechange', () => {
          // The very first version has nobody to replace.
          if (found.state === 'installed' && navigator.serviceWorker.controller) onWaiting(found);
          // A file did not come through: without another try this page would not open without a network.
          if (found.state === 'redundant' && !registration.active)
            setTimeout(() => keepOffline(onWaiting, again * 2), again);
        });
      if (registration.waiting && navigator.serviceWorker.controller) onWaiting(registration.waiting);
      // A page that opens while the files are still being fetched for the one before it has no news of that.
      watch(registration.installing);
      registration.addEventListener('updatefound', () => watch(registration.installing));
    })
    .then(() => navigator.serviceWorker.ready)
    .then(({ active }) => {
      // A page that opens at the moment when the worker takes over is passed by: it asks to be taken too.
      if (!navigator.serviceWorker.controller) active?.postMessage({ kind: 'take-me' });
    })
    // Without it everything works but opening without a network.
    .catch(() => undefined);
}

/** ms until the files are fetched all the same, where the page finds no rest. */
const NO_REST = 3_000;

/** Does it once the page has nothing else to do: all files of the application at once would keep it from standing. */
function onceIdle(work: () => void): () => void {
  // Safari has no word for it.
  if (!('requestIdleCallback' in window)) {
    const timer = setTimeout(work, NO_REST);
    return () => clearTimeout(timer);
  }
  const idle = requestIdleCallback(work, { timeout: NO_REST });
  return () => cancelIdleCallback(idle);
}

/**
 * Says that a newer version is there; says nothing while a hold clock runs.
 * @param props.drawn settles once the first page stands.
 */
export function UpdatePrompt({ drawn }: { drawn: Promise<void> }): ReactElement | null {
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  const running = useSyncExternalStore(clocks.subscribe, clocks.anyRunning);
  useEffect(() => {
    let callOff = (): void => undefined;
    let gone = false;
    void drawn.then(() => {
      if (!gone) callOff = onceIdle(() => keepOffline(setWaiting));
    });
    return () => {
      gone = true;
      callOff();
    };
  }, [drawn]);
  if (!waiting || running) return null;
  const take = (): void => {
    navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), {
      once: true,
    });
    waiting.postMessage({ kind: 'take-over' });
  };
  return (
    <div
      role="status"
      className="no-print fixed right-3 bottom-3 z-40 flex items-center gap-3 border-2 border-ink bg-raised px-4 py-2"
    >
      A newer version is ready.
      <Button look="action" className="min-h-12" onClick={take}>
        Update now
      </Button>
      <Button className="min-h-12" onClick={() => setWaiting(null)}>
        Later
      </Button>
    </div>
  );
}
