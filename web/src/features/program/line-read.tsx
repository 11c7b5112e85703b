import {
  findLift,
  LOAD_MEANING_NAMES,
  parseSetLine,
  SET_ROLE_TAGS,
  type Lift,
  type MassUnit,
  type SetLineContext,
  type SetLineFault,
} from '@iron-clasp/core';
import type { LifterView, SessionPreviewView } from '@iron-clasp/contract';
import type { ReactElement } from 'react';
import { load, seconds } from '../../ui/figures.ts';
import { Caution } from '../../ui/states.tsx';

/** What percentages and efforts are of. */
export function maxesOf({
  deadliftMax,
  bestLifts,
}: LifterView): Pick<SetLineContext, 'deadliftMax' | 'bests'> {
  return { deadliftMax, bests: bestLifts };
}

/** What a line reads as, or where it cannot be read. */
export function Read({
  id,
  row: { liftId, text },
  lifter,
  unit,
  refused,
  preview,
}: {
  id: string;
  row: { readonly liftId: string; readonly text: string };
  lifter: LifterView;
  unit: MassUnit;
  refused: string | undefined;
  /** How it would be called, once the server has said. */
  preview: SessionPreviewView['lines'][number] | undefined;
}): ReactElement {
  const lift = findLift(liftId)!;
  if (text.trim() === '')
    return (
      <p id={id} className={refused ? 'text-sm text-oxblood' : 'text-sm text-quiet'}>
        {refused ?? hintFor(lift)}
      </p>
    );
  const found = parseSetLine(text, { ...maxesOf(lifter), unit, lift });
  if (found.fault) return <LineFault id={id} text={text} fault={found.fault} />;
  const said = found.sets.map(
    (set) =>
      `${SET_ROLE_TAGS[set.role]} ${set.load === 0 ? 'no load' : load(Math.round(set.load * 10) / 10, unit)} × ${set.seconds ? seconds(set.seconds) : set.reps}`,
  );
  const meant = LOAD_MEANING_NAMES[lift.loadMeans];
  return (
    <div id={id} className="text-sm text-quiet">
      {unit}
      {meant && `, ${meant}`}:{' '}
      {found.of &&
        `of the best ${findLift(found.of.liftId)!.name.toLowerCase()}, ${load(found.of.max, unit)}: `}
      {said.length > 6 ? `${said.slice(0, 6).join(' · ')} · and ${said.length - 6} more` : said.join(' · ')}
      {preview?.call && <b className="font-medium"> · {preview.call}</b>}
      {preview?.warnings.map(({ text: words, stop }) => (
        <Caution key={words} stop={stop}>
          {words}
        </Caution>
      ))}
    </div>
  );
}

/** Where a line cannot be read, and why. */
export function LineFault({
  id,
  text,
  fault: { at, length, message },
}: {
  id: string;
  text: string;
  fault: SetLineFault;
}): ReactElement {
  return (
    <p id={id} className="text-sm text-oxblood">
      <span aria-hidden className="figures mr-2 whitespace-pre text-base">
        {text.slice(0, at)}
        <mark className="bg-oxblood text-ground">{text.slice(at, at + length) || '…'}</mark>
        {text.slice(at + length)}
      </span>
      At character {at + 1}: {message}
    </p>
  );
}

/** How a line of the lift is written. */
export function hintFor(lift: Lift): string {
  const meant = LOAD_MEANING_NAMES[lift.loadMeans];
  const load = meant ? `load ${meant}` : 'load';
  if (lift.loadMeans === 'addedToBody' && !lift.timed)
    return `sets x repetitions @ ${load}, or 3x6 bodyweight`;
  if (lift.needs.includes('band')) return 'sets x repetitions band, as 2x20 band';
  return lift.timed ? `sets x seconds @ ${load}, as 2x30s @ 100` : `sets x repetitions @ ${load}`;
}
