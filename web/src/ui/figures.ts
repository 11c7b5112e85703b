import { formatMass, fromKg, toKg, type MassUnit } from '@iron-clasp/core';
import { format, parseISO } from 'date-fns';

/** A load without its unit, as it stands in a column that names the unit. */
export function load(kg: number, unit: MassUnit): string {
  return formatMass(kg, unit).split(' ')[0]!;
}

export { formatMass };

/** A mass that was worked out, not weighed: to half a kilogram or pound, which is as fine as it is known. */
export function roughMass(kg: number, unit: MassUnit): string {
  return formatMass(toKg(Math.round(2 * fromKg(kg, unit)) / 2, unit), unit);
}

/** A share in per cent, to so many digits. */
export function share(value: number, digits = 0): string {
  return `${(100 * value).toFixed(digits).replace('-', '−')}\u00a0%`;
}

/** A chance in whole per cent that never claims certainty. */
export function percent(probability: number): string {
  if (probability > 0.99) return '> 99\u00a0%';
  if (probability < 0.01) return '< 1\u00a0%';
  return `${Math.round(probability * 100)}\u00a0%`;
}

/** A multiplier of load, `× 1.28`. */
export function times(value: number): string {
  return `× ${value.toFixed(2)}`;
}

/** `Tue 24 Nov`. */
export function shortDay(on: string): string {
  return format(parseISO(on), 'EEE d MMM');
}

/** Today, tomorrow, or the short day. */
export function nearDay(on: string, today: string): string {
  const days = Math.round((parseISO(on).getTime() - parseISO(today).getTime()) / 86_400_000);
  return days === 0 ? 'today' : days === 1 ? 'tomorrow' : shortDay(on);
}

/** When a day comes, so short that it fits beside a name: `in 39 d`. */
export const soon = (days: number): string =>
  days === 0 ? 'today' : days === 1 ? 'tomorrow' : `in ${days} d`;

/** Rounded to the tenth a person reads. */
export function seconds(value: number): string {
  return `${value < 10 ? value.toFixed(1) : Math.round(value)} s`;
}

export function inUnit(kg: number, unit: MassUnit): number {
  return fromKg(kg, unit);
}

/** A figure as typed; a comma is a decimal point to half the world. */
export function typedNumber(text: string): number {
  const plain = text.trim().replace(',', '.');
  return plain === '' ? Number.NaN : Number(plain);
}

/** A mass as typed in the reader's unit, kg; what is no mass stays as it was typed, for the contract to refuse in its own words. */
export function typedMass(text: string, unit: MassUnit): number {
  const typed = typedNumber(text);
  return Math.abs(typed) < 1e6 ? toKg(typed, unit) : typed;
}

/** Whole seconds as a clock shows them, `3:05`. */
export function minutes(seconds: number): string {
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
