import { Outbox } from './outbox.ts';

/** What waits on this device, in every tab of it. */
export const outbox = new Outbox('iron-clasp', new BroadcastChannel('iron-clasp.outbox'));

/** What an earlier page left, this version's and older ones', is there before anything is shown. */
export const openOutbox = (): Promise<void> => outbox.open().then(() => outbox.inherit(window.localStorage));
