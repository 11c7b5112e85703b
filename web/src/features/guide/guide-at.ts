/** Which part of the guide speaks of a screen, by its address; the first that fits. */
const PARTS: readonly (readonly [address: RegExp, id: string])[] = [
  [/^\/lifters\/new|\/profile$/, 'a-new-lifter'],
  [/\/program$/, 'the-week'],
  [/\/calls(\/|$)/, 'reading-the-calls'],
  [/\/hands$/, 'hands'],
  [/\/(holds|squeeze|grippers)$/, 'holds-squeeze-grippers'],
  [/\/(curve|ramp|compare|track-record)$/, 'holds-squeeze-grippers'],
  [/^\/floor|^\/live/, 'on-the-floor'],
  [/^\/club|^\/kit|^\/account/, 'a-club-of-your-own'],
  [/^\/practice/, 'a-new-lifter'],
  [/^\/cards/, 'sharing-and-leaving'],
];

/** Where the guide opens from a screen. */
export function guideAt(address: string): string {
  const part = PARTS.find(([pattern]) => pattern.test(address))?.[1] ?? 'today';
  return `/guide#${part}`;
}
