/** Screens of the club, by address. */
export const SCREENS = [
  ['/', 'Today: who trains, what to decide, the week'],
  ['/club', 'Club: who needs attention'],
  ['/account', 'Your account: password, devices'],
  ['/club/import', 'Import past training from a file'],
  ['/kit', 'Kit: venues, bars and plates'],
  ['/floor', 'The floor: choose who trains'],
  ['/cards', 'Today’s cards'],
  ['/guide', 'Guide: how things are done'],
  ['/lifters/new', 'New lifter'],
  ['/lifters/archived', 'Archived lifters'],
  ['/practice/schools', 'Practice: schools'],
  ['/practice/rules', 'Practice: rules'],
  ['/practice/lifts', 'Practice: lifts'],
  ['/practice/holds', 'Practice: holds'],
  ['/practice/set-up', 'Practice: set-up of the grips'],
  ['/practice/curve', 'Practice: what the curve is'],
  ['/practice/slips', 'Practice: why a grip slips'],
] as const;

/** Screens that only owners of the club open. */
export const OWNER_SCREENS = [
  ['/club/people', 'Club: people who sign in'],
  ['/club/settings', 'Club: settings'],
  ['/club/backups', 'Club: backups'],
  ['/club/export', 'Club: export'],
  ['/club/api', 'Club: API tokens'],
  ['/club/deeds', 'Club: who did what'],
] as const;

/** Screens of the lifter who is open, by the end of their address. */
export const LIFTER_SCREENS = [
  ['calls', 'Calls'],
  ['program', 'Program'],
  ['ramp', 'Ramp'],
  ['holds', 'Holds'],
  ['curve', 'Curve'],
  ['hands', 'Hands'],
  ['squeeze', 'Squeeze'],
  ['grippers', 'Grippers'],
  ['compare', 'Compare'],
  ['track-record', 'Track record'],
  ['log', 'Log'],
  ['profile', 'Profile'],
] as const;

/** How well an entry fits what is typed: 1 where its name begins with it, less where a word of it does, 0 where it does not. */
export function fitOf(entry: string, typed: string): number {
  const [name, sought] = [entry.toLowerCase(), typed.trim().toLowerCase()];
  if (name.replace(/^(lifter|floor) /, '').startsWith(sought)) return 1;
  const words = sought.split(/\s+/);
  if (!words.every((word) => name.includes(word))) return 0;
  return words.every((word) => ` ${name}`.includes(` ${word}`)) ? 0.7 : 0.3;
}
