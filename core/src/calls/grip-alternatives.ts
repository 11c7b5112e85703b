import type { Grip } from '../clasp-curve/types.ts';
import type { Barred } from './rules.ts';
import type { School } from './school.ts';
import { GRIP_CHOICES, type GripAlternative, type GripChoice, type Reason } from './types.ts';
import { percent, weakText } from './wording.ts';

/** What each grip that was not called would have given, and why it was not. */
export function gripAlternatives(
  school: School,
  called: GripChoice | null,
  barred: Barred,
  schoolStraps: Reason | undefined,
  odds: (grip: Grip) => number,
  threshold: number,
): GripAlternative[] {
  return GRIP_CHOICES.filter((choice) => choice !== called).map((choice) => {
    const probability = choice === 'straps' ? null : odds(choice);
    const bar = barred.choices.get(choice) ?? (choice === 'straps' ? schoolStraps : undefined);
    if (bar) return { choice, permitted: false, probability, why: bar };
    const enough = probability === null || probability >= threshold;
    const text =
      probability === null
        ? `${school.name} keeps straps for other sets.`
        : enough
          ? `Would hold as well (${percent(probability)}), but comes later in the order of ${school.name}.`
          : weakText(choice, probability, threshold);
    return {
      choice,
      permitted: true,
      probability,
      why: {
        ruleId: enough ? `school.${school.id}.ladder` : 'evidence.below-threshold',
        rank: 'evidence',
        text,
      },
    };
  });
}
