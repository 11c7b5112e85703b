/*
 * What goes over the wire, one file a noun: requests are classes that check themselves, answers are plain shapes made by
 * the server and typed by the core. Loads are kg, times s, days `YYYY-MM-DD`, moments ISO 8601 in UTC.
 */
export * from './accounts.ts';
export * from './api-tokens.ts';
export * from './exports.ts';
export * from './backups.ts';
export * from './calls.ts';
export * from './club.ts';
export * from './compare.ts';
export * from './curve.ts';
export type * from './back-test.ts';
export * from './dynamometer-lines.ts';
export * from './floor.ts';
export * from './grippers.ts';
export * from './hands.ts';
export * from './headers.ts';
export * from './health.ts';
export type { KnownHistory } from './history.ts';
export * from './holds.ts';
export * from './imports.ts';
export * from './kit.ts';
export * from './library.ts';
export * from './lifters.ts';
export * from './log.ts';
export * from './meets.ts';
export * from './preferences.ts';
export * from './programs.ts';
export * from './rack.ts';
export * from './roles.ts';
export * from './schools.ts';
export * from './sharing.ts';
export * from './sheet.ts';
export * from './slips.ts';
export * from './squeeze.ts';
export * from './today.ts';
export { LOAD_MESSAGE, SECONDS_MESSAGE } from './fields.ts';
export * from './set-up.ts';
