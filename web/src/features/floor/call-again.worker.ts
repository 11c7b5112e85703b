import { callAgain, type HandsToday, type SessionUnderWay, type SetCall } from '@iron-clasp/core';

/** What a session is called again from; large, so it is told once and not with every question. */
export interface CallAgainBase {
  readonly base: Omit<SessionUnderWay, 'done' | 'holds'>;
}

/** What of a session is done, and the hands as this device knows them. */
export interface Today extends Pick<SessionUnderWay, 'done' | 'holds'> {
  readonly hands: HandsToday;
}

/** A session to call again; the answer carries the same number, so that a late one is known for late. */
export interface CallAgainQuestion {
  readonly number: number;
  /** {@link Today} in JSON, by which it is known. */
  readonly question: string;
}

export interface CallAgainAnswer {
  readonly number: number;
  readonly calls: readonly SetCall[];
}

let base: CallAgainBase['base'] | undefined;

self.onmessage = ({ data }: MessageEvent<CallAgainBase | CallAgainQuestion>): void => {
  if ('base' in data) {
    base = data.base;
    return;
  }
  if (!base) return;
  const { hands, ...today } = JSON.parse(data.question) as Today;
  const { session } = base;
  const underWay = { ...base, ...today, session: { ...session, lifter: { ...session.lifter, hands } } };
  self.postMessage({ number: data.number, calls: callAgain(underWay).calls } satisfies CallAgainAnswer);
};
