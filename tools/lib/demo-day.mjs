const TUESDAY = 2;

/** The demo plans by weekday: pictures and browser tests live on the last Tuesday, so that every day shows the same jobs. */
export function demoDay() {
  const daysSinceTuesday = (new Date().getDay() - TUESDAY + 7) % 7;
  return { IRON_CLASP_CLOCK_SHIFT_DAYS: String(-daysSinceTuesday) };
}
