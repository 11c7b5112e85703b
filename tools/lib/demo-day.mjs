/**
 * The moment at which browser tests and pictures live, whatever day, hour and zone the machine is in: a Tuesday noon, on
 * which every demo lifter has a session in the week. The server lives there by the shift; pages stamp by the server's clock.
 */
export const DEMO_MOMENT = '2026-11-24T12:00:00Z';

/** What moves a server started now to that moment, for its environment. */
export function demoDay(now = Date.now()) {
  return { IRON_CLASP_CLOCK_SHIFT_SECONDS: String(Math.round((Date.parse(DEMO_MOMENT) - now) / 1000)) };
}
