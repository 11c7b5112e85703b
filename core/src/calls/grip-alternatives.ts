import type { School } from './school.ts';
import type { SetFacts } from './set-facts.ts';
import { GRIP_CHOICES, type GripAlternative, type GripChoice, type Reason } from './types.ts';
import { percent } from './plain-words.ts';
import { weakText } from './wording.ts';

/** What each grip that was not called would have given, and why it was not. */
export function gripAlternatives(
  school: School,
  called: GripChoice | null,
  { barred, odds, range, threshold }: SetFacts,
  schoolStraps: Reason | undefined,
): GripAlternative[] {
  return GRIP_CHOICES.filter((choice) => choice !== called).map((choice) => {
    const probability = choice === 'straps' ? null : odds(choice);
    const bar = barred.choices.get(choice) ?? (choice === 'straps' ? schoolStraps : undefined);
    if (bar) return { choice, permitted: false, probability, why: bar };
    const ofSchool = (text: string): GripAlternative => ({
      ...{ choice, permitted: true, probability },
      why: { ruleId: `school.${school.id}.ladder`, rank: 'evidence', text },
    });
    if (choice === 'straps') return ofSchool(`${school.name} keeps straps for other sets.`);
    const chance = odds(choice);
    if (chance >= threshold)
      return ofSchool(
        `Would hold as well (${percent(chance)}), but comes later in the order of ${school.name}.`,
      );
    if (range(choice).high >= threshold)
      return ofSchool(
        `Not known whether it would hold (${percent(chance)}), and it comes later in the order of ${school.name}.`,
      );
    return {
      ...{ choice, permitted: true, probability },
      why: {
        ruleId: 'evidence.below-threshold',
        rank: 'evidence',
        text: weakText(choice, chance, threshold),
      },
    };
  });
}
