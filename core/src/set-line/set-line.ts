import { SET_ROLE_TAGS } from '../vocabulary.ts';
import { SET_ROLES, type SetRole } from '../calls/set-role.ts';
import { isBarLift } from '../set-demand/is-bar-lift.ts';
import { checkText } from '../check.ts';
import { liftOf } from '../set-demand/lifts.ts';
import type { Lift } from '../set-demand/lift.ts';
import { REP_STYLES, type RepStyle } from '../set-demand/set-demand.ts';
import { listOf, oneOf, optional, positive, range, record, whole, type Check } from '../shape.ts';
import { bestAskedFor, bestsCheck, maxOfLift, type KnownBest, type LiftMax } from './max-of-lift.ts';
import { fromKg, MASS_UNITS, toKg, type MassUnit } from '../units/mass.ts';
import { number, readTerms, termsCheck, termWords, type LineTerms, type Token } from './line-terms.ts';
import { bestOverLoad } from './rep-max.ts';

/** One set as a coach writes it. */
export interface WrittenSet {
  readonly role: SetRole;
  /** kg as the lift is written. */
  readonly load: number;
  readonly reps: number;
  /** s, where the set is timed. */
  readonly seconds?: number;
  readonly style: RepStyle;
  readonly terms?: LineTerms;
}

/** What a line is read against. */
export interface SetLineContext {
  /** Best deadlift, kg: percentages of pulls are of it. */
  readonly deadliftMax: number;
  /** Best lifts beside it: percentages of a lift are of its own best where that is known. */
  readonly bests?: readonly KnownBest[];
  /** Unit of loads written without one. */
  readonly unit: MassUnit;
  readonly lift: Lift | string;
  /** What the bar weighs with its collars and no plates, kg: no ramp begins below it. Default 20 kg, or 45 lb. */
  readonly emptyBar?: number;
}

/** Where a line cannot be read, and what would do there. */
export interface SetLineFault {
  /** First character, counted from 0, and how many. */
  readonly at: number;
  readonly length: number;
  readonly message: string;
}

export type SetLine =
  | {
      readonly sets: readonly WrittenSet[];
      readonly line: string;
      /** What a percentage or effort was of; left out where the line names its load. */
      readonly of?: LiftMax;
      readonly fault?: undefined;
    }
  | {
      readonly fault: SetLineFault;
      readonly sets?: undefined;
      readonly line?: undefined;
      readonly of?: undefined;
    };

/** Warm-ups that `ramp` puts before a line: share of its load, and repetitions. */
export const RAMP: readonly (readonly [share: number, reps: number])[] = [
  [0.4, 5],
  [0.55, 4],
  [0.7, 3],
  [0.82, 2],
  [0.92, 1],
];

/** Lighter holds that `ramp` puts before a timed line: shares of its load, and how long each is held, s. */
export const HOLD_RAMP: readonly number[] = [0.5, 0.7, 0.85];
export const RAMP_SECONDS = 4;

/** Bounds of what a person can write down. */
const MOST_SETS = 30;
const MOST_REPS = 100;
const LONGEST_SECONDS = 600;
const LIGHTEST_KG = 0.5;
const HEAVIEST_KG = 600;
/** Repetitions left in the tank beyond which effort tells nothing. */
const MOST_LEFT = 8;
/** Longest set, with those left, for which the repetitions that a load allows are known well enough. */
const MOST_BY_EFFORT = 15;

const contextCheck: Check = record<SetLineContext>({
  deadliftMax: positive(2000),
  bests: optional(bestsCheck),
  unit: oneOf(MASS_UNITS),
  lift: (field, value) => void liftOf(value as Lift, field),
  emptyBar: optional(positive(500)),
});

/**
 * Reads a set line: role (where none is said top for singles and doubles from {@link TOP_FROM} of the best on, else volume), sets ×
 * repetitions or seconds, `@`, load.
 *
 * `3x5 @ 75%` · `top 1x1 @ 172.5` · `back-off 3x4 @ 105kg touch` · `2x30s @ 140lb` · `ramp top 2x1 @ 91%` (warm-ups first).
 * `3x6 bodyweight` and `2x20 band` carry no load. Behind the load a line may say what it is there for (`grip`, `back`,
 * `event`) and fix what would be called: `overhand`, `mixed`, `hook`, `straps` or `bare`, `left under`, `right hand`,
 * `thick` or `towel` around the bar, `rest 3min`. Percentages and efforts are of the lift's best by {@link maxOfLift}; a load without a unit is in the reader's;
 * `3x5 @ 2 left` is by effort, two repetitions left in the tank; `touch` means touch-and-go; a comma is a
 * decimal point. `line` is what was read, written out in full. Where the line cannot be read, `fault` says at which character and what would do there.
 * @throws InvalidInputError for a text that is none or too long, or a context that cannot be used.
 * @example parseSetLine('3x5 @ 75%', { deadliftMax: 200, unit: 'kg', lift: 'deadlift.conventional' }).sets.map((set) => set.load) // [150, 150, 150]
 * @example parseSetLine('3x5 @ heavy', { deadliftMax: 200, unit: 'kg', lift: 'deadlift.conventional' }).fault.at // 6
 */
export function parseSetLine(line: string, context: SetLineContext): SetLine {
  checkText('line', line, 200);
  contextCheck('context', context);
  const tokens = tokensOf(line);
  let next = 0;
  const peek = (): Token | undefined => tokens[next];
  const end = line.trimEnd().length;
  const fault = (token: Token | undefined, message: string): SetLine => ({
    fault: token ? { at: token.at, length: token.text.length, message } : { at: end, length: 1, message },
  });
  const take = (word: string): boolean => {
    if (peek()?.text.toLowerCase() !== word) return false;
    next++;
    return true;
  };
  const ramp = take('ramp');
  const said = SET_ROLES.find((each) => take(SET_ROLE_TAGS[each]));

  const scheme = peek();
  const found = /^(?:(\d+)x)?(\d+(?:[.,]\d+)?)(s)?$/i.exec(scheme?.text ?? '');
  if (!scheme || !found) return fault(scheme, 'Sets and repetitions stand here, as 3x5, 5 or 2x30s.');
  next++;
  const count = Number(found[1] ?? 1);
  const amount = number(found[2]!);
  if (count < 1 || count > MOST_SETS) return fault(scheme, `Between 1 and ${MOST_SETS} sets.`);
  const timed = found[3] !== undefined;
  if (timed && (amount < 1 || amount > LONGEST_SECONDS))
    return fault(scheme, `Between 1 and ${LONGEST_SECONDS} seconds.`);
  if (!timed && (!Number.isInteger(amount) || amount < 1 || amount > MOST_REPS))
    return fault(scheme, `Between 1 and ${MOST_REPS} whole repetitions.`);
  const lift = liftOf(context.lift);
  if (timed !== lift.timed)
    return fault(
      scheme,
      lift.timed
        ? `${lift.name} is held for time: write the seconds, as 2x30s.`
        : `${lift.name} is done in repetitions: leave the s away.`,
    );

  /** Reads what stands behind the load, and makes the sets. */
  const finish = (kg: number, loaded: string, of?: LiftMax): SetLine => {
    const touch = take('touch');
    const terms = readTerms(take, peek, lift);
    if ('fault' in terms) return fault(terms.at, terms.fault);
    const extra = peek();
    if (extra)
      return fault(
        extra,
        'Nothing more is understood here; touch, grip, back, event, a grip, straps, bare, left under, thick, towel or rest 3min can stand here.',
      );
    const style: RepStyle = touch ? 'touchAndGo' : 'reset';
    const role = said ?? (!timed && isTop(lift, kg, amount, context) ? 'top' : 'volume');
    const more = Object.keys(terms.terms).length > 0 ? { terms: terms.terms } : {};
    const set: WrittenSet = timed
      ? { role, load: kg, reps: 1, seconds: amount, style, ...more }
      : { role, load: kg, reps: amount, style, ...more };
    const lighter = !ramp
      ? []
      : timed
        ? HOLD_RAMP.map((share) => ({
            ...warmup(set, share, 1, lift, context),
            reps: 1,
            seconds: RAMP_SECONDS,
          }))
        : RAMP.map(([share, reps]) => warmup(set, share, reps, lift, context));
    const warmups = climbing(lighter, set.load, stepOf(lift, context.unit));
    const words = [
      ...(ramp ? ['ramp'] : []),
      SET_ROLE_TAGS[role],
      `${count}x${amount}${timed ? 's' : ''}`,
      loaded,
      ...(touch ? ['touch'] : []),
      ...termWords(terms.terms),
    ];
    return {
      sets: [...warmups, ...Array.from({ length: count }, () => set)],
      line: words.join(' '),
      ...(of && { of }),
    };
  };

  const sign = peek();
  const none = noLoad(lift);
  const bare = none !== undefined && take(none);
  if (!bare && !take('@'))
    return fault(sign, `An @ stands before the load, as in 3x5 @ 75%${none ? `, or the word ${none}` : ''}.`);
  const weight = bare ? undefined : peek();
  if (bare) return finish(0, `${none}`);
  const load = /^(\d+(?:[.,]\d+)?)(%|kg|lb)?$/i.exec(weight?.text ?? '');
  if (!weight || !load)
    return fault(weight, 'A load stands here, as 75%, 172.5, 150kg or 380lb, or the effort, as 2 left.');
  next++;
  const left = load[2] === undefined && take('left') ? number(load[1]!) : undefined;
  if (left !== undefined && (!Number.isInteger(left) || left > MOST_LEFT))
    return fault(weight, `Between 0 and ${MOST_LEFT} whole repetitions left.`);
  if (left !== undefined && timed)
    return fault(weight, 'Effort is told in repetitions left; a hold for time needs a load.');
  if (left !== undefined && amount + left > MOST_BY_EFFORT)
    return fault(
      weight,
      `Repetitions and those left make at most ${MOST_BY_EFFORT}: write a load for longer sets.`,
    );
  const of = left !== undefined || load[2] === '%' ? maxOfLift(lift, context) : undefined;
  if (!of && (left !== undefined || load[2] === '%'))
    return fault(
      weight,
      `The best ${bestAskedFor(lift)} is not known: add it in the profile, or write a load as 60kg.`,
    );
  const kg = !of
    ? toKg(Math.min(number(load[1]!), 1e6), (load[2]?.toLowerCase() as MassUnit | undefined) ?? context.unit)
    : left === undefined
      ? (number(load[1]!) / 100) * of.max
      : loadByEffort(of.max, amount, left);
  if (!(kg >= LIGHTEST_KG && kg <= HEAVIEST_KG))
    return fault(weight, `Between ${LIGHTEST_KG} and ${HEAVIEST_KG} kg.`);
  return finish(
    kg,
    left === undefined ? `@ ${number(load[1]!)}${load[2]?.toLowerCase() ?? context.unit}` : `@ ${left} left`,
    of,
  );
}

/** Singles and doubles at this share of the best are the heaviest work of a day, whether or not the line says so. */
export const TOP_FROM = 0.9;
const TOP_REPS = 2;

function isTop(lift: Lift, load: number, reps: number, known: SetLineContext): boolean {
  const best = maxOfLift(lift, known);
  return reps <= TOP_REPS && best !== undefined && load >= TOP_FROM * best.max - ROUNDING;
}

/** A lighter set of the ramp, in steps that people load: no small plates go on and off between warm-ups. */
function warmup(
  set: WrittenSet,
  share: number,
  reps: number,
  lift: Lift,
  { unit, emptyBar = toKg(EMPTY_BAR[unit], unit) }: Pick<SetLineContext, 'unit' | 'emptyBar'>,
): WrittenSet {
  const { terms: _terms, ...plain } = set;
  const step = stepOf(lift, unit);
  const lightest = isBarLift(lift) ? emptyBar : step;
  const load = Math.max(lightest, Math.round((share * set.load) / step) * step);
  return {
    ...plain,
    role: 'warmup',
    load: Math.min(load, set.load),
    reps: Math.max(reps, Math.min(set.reps, 3)),
  };
}

/** Steps in which a bar is loaded while warming up, in the unit of the reader. */
export const RAMP_STEP: Readonly<Record<MassUnit, number>> = { kg: 5, lb: 10 };

const stepOf = (lift: Lift, unit: MassUnit): number => toKg(isBarLift(lift) ? RAMP_STEP[unit] : 1, unit);

/** A light line has fewer steps: no load is warmed up at twice, nor two that hardly differ, and none as heavy as the work. */
function climbing(ramp: readonly WrittenSet[], work: number, step: number): WrittenSet[] {
  const kept: WrittenSet[] = [];
  for (const set of ramp)
    if (set.load < work && set.load >= (kept.at(-1)?.load ?? -Infinity) + step - ROUNDING) kept.push(set);
  return kept;
}

/** Less than this between two loads is the arithmetic's, kg. */
const ROUNDING = 1e-6;

/** What a bar weighs on which nothing is loaded, where nobody says which bar it is. */
const EMPTY_BAR: Readonly<Record<MassUnit, number>> = { kg: 20, lb: 45 };

/** The word that stands for no load at all, where the lift can be done so. */
function noLoad(lift: Lift): string | undefined {
  return lift.loadMeans === 'addedToBody' ? 'bodyweight' : lift.needs.includes('band') ? 'band' : undefined;
}

/** The load with which a set of these repetitions leaves so many. */
function loadByEffort(max: number, reps: number, left: number): number {
  return max / bestOverLoad(reps + left);
}

/** Words by where they stand; `x`, `×` and `@` may touch their neighbours or stand apart. */
function tokensOf(line: string): Token[] {
  const joined = /(\d)(\s*)[x×](\s*)(?=\d)/gi;
  const tokens: Token[] = [];
  // What is joined must keep its place: spaces around the x are dropped, and places are mapped back.
  const places: number[] = [];
  let text = '';
  let last = 0;
  const copy = (from: number, to: number): void => {
    for (let i = from; i < to; i++) {
      places.push(i);
      text += line[i];
    }
  };
  for (const match of line.matchAll(joined)) {
    copy(last, match.index + 1);
    places.push(match.index + 1 + match[2]!.length);
    text += 'x';
    last = match.index + match[0].length;
  }
  copy(last, line.length);
  for (const match of text.matchAll(/@|[^\s@]+/g)) tokens.push({ text: match[0], at: places[match.index]! });
  return tokens;
}

const setsCheck: Check = listOf(
  record<WrittenSet>({
    role: oneOf(SET_ROLES),
    load: range(0, 2000),
    reps: whole(1, MOST_REPS),
    seconds: optional(positive(3600)),
    style: oneOf(REP_STYLES),
    terms: optional(termsCheck),
  }),
  500,
);

/**
 * Writes sets of a lift as the lines that read as them again, one for each run of alike sets; loads to the hundredth of
 * the unit.
 * @throws InvalidInputError naming the set and field that cannot be used.
 * @example writeSetLines([{ role: 'top', load: 172.5, reps: 1, style: 'reset' }], 'kg') // ['top 1x1 @ 172.5kg']
 */
export function writeSetLines(
  sets: readonly WrittenSet[],
  unit: MassUnit,
  lift: Lift | string = 'deadlift.conventional',
): string[] {
  setsCheck('sets', sets);
  oneOf(MASS_UNITS)('unit', unit);
  const lines: { words: (count: number) => string; count: number; key: string }[] = [];
  const none = noLoad(liftOf(lift, 'lift'));
  for (const { role, load, reps, seconds, style, terms = {} } of sets) {
    const amount = seconds === undefined ? String(reps) : `${Number(seconds.toFixed(1))}s`;
    const loaded = load === 0 && none ? none : `@ ${Number(fromKg(load, unit).toFixed(2))}${unit}`;
    const tail = [amount, loaded, ...(style === 'touchAndGo' ? ['touch'] : []), ...termWords(terms)].join(
      ' ',
    );
    const key = `${role} ${tail}`;
    const last = lines[lines.length - 1];
    if (last?.key === key) last.count += 1;
    else lines.push({ key, count: 1, words: (count) => `${SET_ROLE_TAGS[role]} ${count}x${tail}` });
  }
  return lines.map(({ words, count }) => words(count));
}
