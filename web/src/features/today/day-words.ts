import { HOLD_KINDS_BY_ID, sayLoad, type MassUnit } from '@iron-clasp/core';
import type { DayHold, DaySet } from '@iron-clasp/contract';
import { formatMass } from '../../ui/figures.ts';
import { gripWords } from '../../ui/marks/grip-mark.tsx';

/** The grip; its chalk is the venue's, said above. */
export function gripSaid(top: DaySet | null): string {
  if (!top) return 'nothing hangs from the hands';
  return top.choice ? gripWords(top.choice, top.sideUnder ?? undefined) : top.line;
}

/** A set with its load in the unit of the plates on the bar. */
export function setWords({ liftName, load: kg, plates, reps, seconds }: DaySet, unit: MassUnit): string {
  const name = liftName.replace(/^Conventional d/, 'D');
  const asked = seconds ? `${seconds} s` : String(reps);
  if (kg <= 0) return `${name} × ${asked}`;
  const said = sayLoad(kg, plates ?? unit, unit);
  return `${name} ${said.figure}${said.beside === null ? '' : ` ${said.unit}`} × ${asked}`;
}

/** The hold everybody does needs no name in a row. */
export function shortHold(hold: DayHold, unit: MassUnit): string {
  const name = HOLD_KINDS_BY_ID[hold.kind].name;
  return hold.kind === 'frontRackHold'
    ? holdWords(hold, unit).replace(name, 'hold')
    : holdWords(hold, unit).replace(name, name.toLowerCase());
}

/** A hold in a few words, as Today and its decisions say it. */
export function holdWords({ kind, sets, reps, seconds, load: kg }: DayHold, unit: MassUnit): string {
  const asked = reps === null ? `${seconds} s` : `${reps} reps`;
  const at = kg > 0 ? ` at ${formatMass(Math.round(kg * 10) / 10, unit)}` : '';
  return `${HOLD_KINDS_BY_ID[kind].name} ${sets} × ${asked}${at}`;
}
