import type { FileKind } from '@iron-clasp/core';

/** What files of a kind are counted by, one and several. */
const COUNTED: Readonly<Record<FileKind, readonly [one: string, several: string]>> = {
  training: ['set', 'sets'],
  lifters: ['lifter', 'lifters'],
  grippers: ['attempt', 'attempts'],
  squeeze: ['test', 'tests'],
};

const n = (value: number): string => value.toLocaleString('en');

/** `12 sets`, `1 lifter`. */
export const saidThings = (kind: FileKind, things: number): string =>
  `${n(things)} ${COUNTED[kind][things === 1 ? 0 : 1]}`;

/** `12 sets on 3 days`; of lifters no day is told. */
export const saidOfImport = (kind: FileKind, things: number, days: number): string =>
  kind === 'lifters'
    ? saidThings(kind, things)
    : `${saidThings(kind, things)} on ${n(days)} ${days === 1 ? 'day' : 'days'}`;

/** Where what was brought in is found. */
export const WHERE: Readonly<Record<FileKind, string>> = {
  training: 'in the log',
  lifters: 'on the rack',
  grippers: 'among the attempts',
  squeeze: 'among the tests',
};
