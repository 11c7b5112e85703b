/** An answer, and when it came, ms of this device's clock. */
export interface Came {
  readonly response: Response;
  readonly at: number;
}

/** How long an answer is good for whoever asks for it, ms: a page that is being opened asks within that, or not at all. */
const GOOD_MS = 10_000;
/** How long an answer is waited for, ms. */
const PATIENCE_MS = 15_000;

const asked = new Map<string, { readonly since: number; readonly came: Promise<Came> }>();
/** What the application has asked for by itself. */
const known = new Set<string>();

/**
 * Asks the API for what a page will ask for once its code is there; nothing is lost where no answer comes. What the
 * application was quicker to ask for is not asked again: the second answer would lie here, and grow old, until it next asks.
 */
export async function askAhead(path: string): Promise<Response | undefined> {
  if (known.has(path)) return undefined;
  const came = fetch(`/api${path}`, {
    headers: { accept: 'application/json' },
    signal: AbortSignal.timeout(PATIENCE_MS),
  }).then((response) => ({ response, at: Date.now() }));
  asked.set(path, { since: Date.now(), came });
  return came.then(
    ({ response }) => response.clone(),
    () => undefined,
  );
}

/** What was asked ahead, once; nothing where it was not, or too long ago. */
export function takeAhead(path: string): Promise<Came> | undefined {
  known.add(path);
  const found = asked.get(path);
  asked.delete(path);
  return found && Date.now() - found.since < GOOD_MS ? found.came : undefined;
}

/** Something is being changed: no answer from before it may be taken after it. */
export function dropAhead(): void {
  asked.clear();
}
