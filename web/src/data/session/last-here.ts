/** Whose pages were open on this device last: the club's, as its staff see it, or a lifter's own. */
export type Pages = 'club' | 'own';

/*
 * A cookie, since a page that opens reads it at once: the device's other stores are first fetched for it, which takes as long
 * as the question it is to save.
 */
const NAME = 'iron-clasp-last-here';
const A_YEAR_S = 31_536_000;

/** Nothing where nobody is signed in. */
export function lastHere(): Pages | undefined {
  const said = document.cookie.split('; ').find((each) => each.startsWith(`${NAME}=`));
  const kept = said?.slice(NAME.length + 1);
  return kept === 'club' || kept === 'own' ? kept : undefined;
}

/** Remembers it for the next visit, which then need not wait to hear who is there before it asks for more. */
export function rememberHere(pages: Pages | undefined): void {
  document.cookie = `${NAME}=${pages ?? ''}; path=/; samesite=strict; max-age=${pages ? A_YEAR_S : 0}`;
}
