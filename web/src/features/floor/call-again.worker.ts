import { callAgain, type HandsToday, type SessionUnderWay } from '@iron-clasp/core';

/** What a session is called again from; large, so it is told once and not with every question. */
export interface CallAgainBase {
  readonly base: Omit<SessionUnderWay, 'done' | 'holds'>;
}

/** A session to call again; the answer carries the same number, so that a late one is known for late. */
export interface CallAgainQuestion {
  readonly number: number;
  readonly today: Pick<SessionUnderWay, 'done' | 'holds'>;
  /** The hands as this device knows them. */
  readonly hands: HandsToday;
}

let base: CallAgainBase['base'] | undefined;

self.onmessage = ({ data }: MessageEvent<CallAgainBase | CallAgainQuestion>): void => {
  if ('base' in data) {
    base = data.base;
    return;
  }
  if (!base) return;
  const { number, today, hands } = data;
  const { session } = base;
  const underWay = { ...base, ...today, session: { ...session, lifter: { ...session.lifter, hands } } };
  self.postMessage({ number, calls: callAgain(underWay).calls });
};
