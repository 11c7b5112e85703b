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
  const { barred, odds, threshold, policy } = facts;
  const says = (ruleId: string, text: string): Reason => ({
    ruleId,
    rank: 'school',
    text: `${school.name}: ${text}.`,
  });
  const mayStrap = !barred.choices.has('straps');
  if (mayStrap && barred.strapsFirst) return { choice: 'straps' };
  const straps = mayStrap && !schoolStraps;
  const first = straps ? school.strapsFirst.find((each) => applies(each, policy)) : undefined;
  if (first) return { choice: 'straps', why: says(first.id, first.reason) };
  const bare = bareOrder(school, policy.set.role, barred, facts.strength);
  const holding = bare.find((grip) => odds(grip) >= threshold);
  if (holding) return { choice: holding, why: says(`school.${school.id}.ladder`, school.ladderReason) };
  const last =
    straps && school.strapsLast && applies(school.strapsLast, policy) ? school.strapsLast : undefined;
  if (last) return { choice: 'straps', why: says(last.id, last.reason) };
  if (bare.length)
    return { choice: strongest(bare, odds), why: tooWeak(strongest(bare, odds), facts, schoolStraps) };
  if (!mayStrap) return { choice: null };
  // What only slipped today comes back with a lighter load: a school without straps takes that, not straps.
  const forNow = GRIPS.some(
    (grip) => barred.byLoad.has(grip) && barred.choices.get(grip)?.rank === 'adaptation',
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

export function strongest(grips: readonly Grip[], odds: (grip: Grip) => number): Grip {
  return grips.reduce((best, grip) => (odds(grip) > odds(best) ? grip : best));
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
