import { formatDistance, parseISO } from 'date-fns';

/*
 * A device's own clock may be wrong, and an entry stamped by it would be refused as one of the future, or land on another
 * day. So what happens on the device is stamped by the server's clock: every answer tells it, and how far the device is off
 * is kept, so that it holds without a network too.
 */

/** Where the difference is kept, ms. */
const KEPT = 'iron-clasp-clock-off';
/** An answer tells whole seconds and takes a while: less than this is no error of the device, ms. */
const RIGHT_WITHIN = 30_000;

let off: number | undefined;

/** How far the server's clock is ahead of the device's, ms; 0 until an answer has told. */
function difference(): number {
  if (off === undefined) {
    const kept = Number(globalThis.localStorage?.getItem(KEPT) ?? 0);
    off = Number.isFinite(kept) ? kept : 0;
  }
  return off;
}

/** The moment now by the server's clock: what every entry is stamped with. */
export function clockNow(): Date {
  return new Date(Date.now() + difference());
}

/**
 * Sets the device right by an answer's `Date` header.
 * @param told the header, null where there is none; what is no date changes nothing.
 * @param deviceNow the device's own time when the answer came, ms since 1970.
 */
export function setClockBy(told: string | null, deviceNow: number): void {
  const server = told === null ? Number.NaN : Date.parse(told);
  if (Number.isNaN(server)) return;
  const found = Math.abs(server - deviceNow) <= RIGHT_WITHIN ? 0 : server - deviceNow;
  // Whole seconds are told: a difference that only jitters is left as it is, so that time never runs backwards.
  if (Math.abs(found - difference()) <= RIGHT_WITHIN && found !== 0) return;
  if (found === difference()) return;
  off = found;
  try {
    globalThis.localStorage?.setItem(KEPT, String(found));
  } catch {
    // Storage is full or barred: the difference holds for as long as the page does.
  }
}

/** What writes the days of a zone: made once, since making it costs a slow phone as much as drawing a lane. */
const writers = new Map<string, Intl.DateTimeFormat>();

/** The day that it is in the club's time zone, `YYYY-MM-DD`. */
export function clubDay(timeZone: string, at = clockNow()): string {
  let writer = writers.get(timeZone);
  // Canada writes its days as ISO 8601 does.
  if (!writer) writers.set(timeZone, (writer = new Intl.DateTimeFormat('en-CA', { timeZone })));
  return writer.format(at);
}

/**
 * The moment that something is dated to: now, or for a past day noon by UTC, which is that day in every zone of the trade.
 * @param nth a minute later for each entry of that day, so that they keep their order.
 */
export function momentOn(day: string, today: string, nth = 0): string {
  if (day === '' || day >= today) return clockNow().toISOString();
  return new Date(Date.parse(`${day}T12:00:00Z`) + nth * 60_000).toISOString();
}

/** How long ago a moment was, in words. The clocks jitter: what lies ahead is just now. */
export function ago(at: string): string {
  const [then, now] = [parseISO(at), clockNow()];
  return now.getTime() - then.getTime() < 60_000
    ? 'just now'
    : formatDistance(then, now, { addSuffix: true });
}
