import { GRIP_NAMES } from '../vocabulary.ts';
import { GRIPS, type Grip } from '../clasp-curve/types.ts';
import { applies, bareOrder, schoolBarsStraps } from './school-policy.ts';
import type { School } from './school.ts';
import type { SetFacts } from './set-facts.ts';
import type { GripChoice, Reason } from './types.ts';

export interface Chosen {
  readonly choice: GripChoice | null;
  readonly why?: Reason;
  /** Why the school uses no straps here, where it does not. */
  readonly schoolStraps?: Reason;
}

/**
 * Walks a school's policy among what the rules have left: straps first where rulebook or school say so, the first bare
 * grip that holds, straps last, the best that is left.
 */
export function chooseGrip(school: School, facts: SetFacts): Chosen {
  const schoolStraps = schoolBarsStraps(school, facts.policy);
  return { ...walk(school, facts, schoolStraps), ...(schoolStraps && { schoolStraps }) };
}

function walk(school: School, facts: SetFacts, schoolStraps: Reason | undefined): Chosen {
  const { barred, odds, policy } = facts;
  const says = (ruleId: string, text: string): Reason => ({
    ruleId,
    rank: 'school',
    text: `${school.name}: ${text}.`,
  });
  const mayStrap = !barred.choices.has('straps');
  if (mayStrap && barred.strapsFirst) return { choice: 'straps' };
  const keptBare = school.lastSetBare === true && policy.set.lastOfLine === true;
  const straps = mayStrap && !schoolStraps && !keptBare;
  const first = straps ? school.strapsFirst.find((each) => applies(each, policy)) : undefined;
  if (first) return { choice: 'straps', why: says(first.id, first.reason) };
  const bare = bareOrder(school, policy.set.role, barred, facts.strength);
  if (policy.set.role === 'attempt' && bare.length) return attempt(facts, bare);
  for (const [grip, why] of barred.prefers)
    if (!barred.choices.has(grip) && mayHold(grip, facts)) return { choice: grip, why };
  // Left on evidence only: a thin log does not overrule the school's practice.
  const holding = bare.find((grip) => mayHold(grip, facts));
  if (holding) return { choice: holding, why: says(`school.${school.id}.ladder`, school.ladderReason) };
  const closest = bare.length ? strongest(bare, odds) : undefined;
  if (facts.unlogged && closest) return { choice: closest, why: unknown(closest) };
  const last =
    straps && school.strapsLast && applies(school.strapsLast, policy) ? school.strapsLast : undefined;
  if (last) return { choice: 'straps', why: says(last.id, last.reason) };
  if (closest) return { choice: closest, why: tooWeak(closest, facts, schoolStraps) };
  if (!mayStrap) return { choice: null };
  // What only slipped today comes back with a lighter load: a school without straps takes that, not straps.
  const forNow = GRIPS.some(
    (grip) => barred.byLoad.has(grip) && barred.choices.get(grip)!.rank === 'adaptation',
  );
  if (schoolStraps && forNow) return { choice: null };
  if (forNow)
    return {
      choice: 'straps',
      why: says(
        'adaptation.straps-once-slipping',
        'straps for what is left at this load, now that slipping has started; or go lighter',
      ),
    };
  // Rules have left only straps: that outranks a school that would not use them.
  const text = 'Every bare grip of this school is barred here, so straps, whatever the school says.';
  return { choice: 'straps', why: { ruleId: 'safety.straps-only-left', rank: 'safety', text } };
}

/** May the grip hold what is asked, as far as the log knows? */
function mayHold(grip: Grip, { range, threshold }: SetFacts): boolean {
  return range(grip).high >= threshold;
}

/** An attempt comes once: the permitted grip with the highest chance, in whatever place of the school's order. */
function attempt({ barred, odds }: SetFacts, bare: readonly Grip[]): Chosen {
  const permitted = GRIPS.filter((grip) => !barred.choices.has(grip));
  const best = strongest(permitted, odds);
  // Of grips that hold alike the school's own comes first.
  const choice = bare.find((grip) => odds(grip) >= odds(best) - ALIKE) ?? best;
  return {
    choice,
    why: {
      ruleId: 'evidence.attempt-by-chance',
      rank: 'evidence',
      text: `An attempt comes once: ${GRIP_NAMES[choice]} holds it most surely.`,
    },
  };
}

/** Chances closer than this do not decide between grips. */
const ALIKE = 0.005;

export function strongest(grips: readonly Grip[], odds: (grip: Grip) => number): Grip {
  return grips.reduce((best, grip) => (odds(grip) > odds(best) ? grip : best));
}

/** Without a log no grip is left for straps or a lighter load: what people usually hold says nothing of this hand. */
function unknown(closest: Grip): Reason {
  return {
    ruleId: 'evidence.nothing-logged',
    rank: 'evidence',
    text: `Nothing is logged to judge the grips by: ${GRIP_NAMES[closest]} usually holds most.`,
  };
}

function tooWeak(best: Grip, { barred }: SetFacts, schoolStraps: Reason | undefined): Reason {
  const bar = barred.choices.get('straps') ?? schoolStraps;
  const straps = bar ? ` Straps are out too: ${bar.text}` : '';
  return {
    ruleId: 'evidence.best-below-threshold',
    rank: 'evidence',
    text: `No permitted grip reaches what is asked: ${GRIP_NAMES[best]} comes closest.${straps}`,
  };
}
