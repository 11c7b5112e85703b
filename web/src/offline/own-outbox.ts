import { Outbox } from './outbox.ts';

/** What waits on this device, in every tab of it. */
export const outbox = new Outbox('iron-clasp', new BroadcastChannel('iron-clasp.outbox'));

/** How long the page waits for the device's database before it is shown without what lies there, ms. */
const PATIENCE_MS = 3_000;

/**
 * What an earlier page left, this version's and older ones', is there before anything of it is shown; opened once a page. A
 * database that does not open keeps nobody from the page: what lies in it shows once it does.
 */
export const openOutbox = (): Promise<void> => (opened ??= open());
let opened: Promise<void> | undefined;

const open = (): Promise<void> =>
  Promise.race([
    outbox.open().then(() => outbox.inherit(window.localStorage)),
    new Promise<void>((resolve) => setTimeout(resolve, PATIENCE_MS)),
  ]);
