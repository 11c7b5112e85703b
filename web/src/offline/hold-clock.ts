import type { Ending } from '@iron-clasp/core';

/**
 * A clock of one hold. Times are milliseconds that only go forward while a page lives, so a sleeping tab or a changed clock
 * does not bend them. While it counts in, `startedAt` lies ahead.
 */
export type HoldClock =
  | { readonly state: 'ready' }
  /** `target`: the seconds asked for, where the lane said them. */
  | { readonly state: 'running'; readonly startedAt: number; readonly target?: number }
  | { readonly state: 'ended'; readonly seconds: number; readonly ended: Ending };

export const READY: HoldClock = { state: 'ready' };

/** Ticks before the hold begins, one a second. */
export const COUNT_IN = 3;

/** Starts a clock that does not run, after `delay` seconds of counting in, towards `target` seconds where one is asked. */
export function start(clock: HoldClock, now: number, delay = 0, target?: number): HoldClock {
  return clock.state === 'running'
    ? clock
    : { state: 'running', startedAt: now + delay * 1000, ...(target !== undefined && { target }) };
}

/** Ends a running clock; any other is left as it is, and one that still counts in is ready again. Seconds to the tenth. */
export function end(clock: HoldClock, now: number, ended: Ending): HoldClock {
  if (clock.state !== 'running') return clock;
  if (now < clock.startedAt) return READY;
  return { state: 'ended', seconds: tenths(now - clock.startedAt), ended };
}

/** Seconds on the clock at `now`; none while it counts in. */
export function elapsed(clock: HoldClock, now: number): number {
  if (clock.state === 'running') return Math.max(0, now - clock.startedAt) / 1000;
  return clock.state === 'ended' ? clock.seconds : 0;
}

/** Whole seconds still to be counted in at `now`, 0 once the hold runs. */
export function countIn(clock: HoldClock, now: number): number {
  return clock.state === 'running' ? Math.max(0, Math.ceil((clock.startedAt - now) / 1000)) : 0;
}

/** A late tap put right: seconds more or less on an ended clock, never under half a second. */
export function corrected(clock: HoldClock, by: number): HoldClock {
  if (clock.state !== 'ended') return clock;
  return { ...clock, seconds: Math.max(0.5, tenths((clock.seconds + by) * 1000)) };
}

/** The last seconds before the target, when the screen sweeps and the clock sounds. */
export const FINAL_SECONDS = 3;

/** Share of the final seconds that is over, 0 before them and 1 at the target. */
export function finalShare(seconds: number, target: number): number {
  return Math.min(1, Math.max(0, (seconds - (target - FINAL_SECONDS)) / FINAL_SECONDS));
}

/**
 * The tone due at `seconds` (negative while counting in): a tick each second before the start and in the final seconds, a
 * long one at the start and at the target; null between.
 */
export function toneAt(
  seconds: number,
  target: number,
): { readonly key: string; readonly long: boolean } | null {
  if (seconds < -COUNT_IN) return null;
  if (seconds < 0) return { key: `in ${Math.ceil(-seconds)}`, long: false };
  if (seconds < 0.5) return { key: 'go', long: true };
  if (seconds >= target) return { key: 'time', long: true };
  const left = Math.ceil(target - seconds);
  return left <= FINAL_SECONDS ? { key: `left ${left}`, long: false } : null;
}

function tenths(milliseconds: number): number {
  return Math.round(milliseconds / 100) / 10;
}
