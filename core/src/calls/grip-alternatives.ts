import type { Grip } from '../clasp-curve/types.ts';
import type { Barred } from './rules.ts';
import {
  GRIP_CHOICES,
  type CallContext,
  type GripAlternative,
  type GripChoice,
  type Reason,
} from './types.ts';
import { percent, weakText } from './wording.ts';

/** What each grip that was not called would have given, and why it was not. */
export function gripAlternatives(
  context: CallContext,
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
    const text =
      probability === null
        ? `${context.school.name} keeps straps for other sets.`
        : probability < threshold
          ? weakText(choice, probability, threshold)
          : `Would hold as well (${percent(probability)}), but comes later in the order of ${context.school.name}.`;
    return {
      choice,
      permitted: true,
      probability,
      why: {
        ruleId:
          probability === null || probability >= threshold
            ? `school.${context.school.id}.ladder`
            : 'evidence.below-threshold',
        rank: 'evidence',
        text,
      },
    };
  });
}
