import type { Ending } from '@iron-clasp/core';

/** A clock of one hold. Time is monotonic milliseconds, so a sleeping tab or a changed clock does not bend it. */
export type HoldClock =
  | { readonly state: 'ready' }
  | { readonly state: 'running'; readonly startedAt: number }
  | { readonly state: 'ended'; readonly seconds: number; readonly ended: Ending };

export const READY: HoldClock = { state: 'ready' };

export function start(clock: HoldClock, now: number): HoldClock {
  return clock.state === 'running' ? clock : { state: 'running', startedAt: now };
}

/** Ends a running clock; any other is left as it is. Seconds to the tenth. */
export function end(clock: HoldClock, now: number, ended: Ending): HoldClock {
  return clock.state === 'running'
    ? { state: 'ended', seconds: tenths(now - clock.startedAt), ended }
    : clock;
}

/** Seconds on the clock at `now`. */
export function elapsed(clock: HoldClock, now: number): number {
  if (clock.state === 'running') return Math.max(0, now - clock.startedAt) / 1000;
  return clock.state === 'ended' ? clock.seconds : 0;
}

/** The last seconds before the target, when the screen sweeps and the clock sounds. */
export const FINAL_SECONDS = 3;

/** Share of the final seconds that is over, 0 before them and 1 at the target. */
export function finalShare(seconds: number, target: number): number {
  return Math.min(1, Math.max(0, (seconds - (target - FINAL_SECONDS)) / FINAL_SECONDS));
}

function tenths(milliseconds: number): number {
  return Math.round(milliseconds / 100) / 10;
}
