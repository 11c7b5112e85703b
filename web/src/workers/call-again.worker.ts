import { callAgain, type SessionUnderWay } from '@iron-clasp/core';

/** A session to call again; the answer carries the same number, so that a late one is known for late. */
export interface CallAgainQuestion {
  readonly number: number;
  readonly underWay: SessionUnderWay;
}

self.onmessage = ({ data }: MessageEvent<CallAgainQuestion>): void => {
  const { number, underWay } = data;
  self.postMessage({ number, calls: callAgain(underWay).calls });
};
