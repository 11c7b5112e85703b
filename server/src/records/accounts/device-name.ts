/** Browsers and systems as they call themselves; the first that fits says it. */
const BROWSERS = [
  ['Edge', /\bEdg[A-Z]*\//],
  ['Opera', /\bOPR\//],
  ['Samsung Internet', /SamsungBrowser\//],
  ['Firefox', /\b(Firefox|FxiOS)\//],
  ['Chrome', /\b(Chrome|CriOS|HeadlessChrome)\//],
  ['Safari', /\bSafari\//],
] as const;
const SYSTEMS = [
  ['iPhone', /iPhone/],
  ['iPad', /iPad/],
  ['Android', /Android/],
  ['Windows', /Windows/],
  ['Mac', /Mac OS X|Macintosh/],
  ['Chrome OS', /CrOS/],
  ['Linux', /Linux/],
] as const;

/** What a device is called in a list, of what its browser says of itself: “Firefox on Android”. */
export function deviceName(userAgent: string | undefined): string {
  const first = (list: readonly (readonly [string, RegExp])[]): string | undefined =>
    list.find(([, sign]) => sign.test(userAgent ?? ''))?.[0];
  const [browser, system] = [first(BROWSERS), first(SYSTEMS)];
  if (browser && system) return `${browser} on ${system}`;
  return browser ?? system ?? 'A program';
}
