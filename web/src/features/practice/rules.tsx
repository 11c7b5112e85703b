import {
  CALL_RULES,
  CAUTIONS,
  HOOK_STAGE_RULES,
  HOOK_STAGES_BY_ID,
  SPACING_RULES,
  type ReasonRank,
} from '@iron-clasp/core';
import type { ReactElement, ReactNode } from 'react';

const RANKS: readonly (readonly [ReasonRank, string, string])[] = [
  ['safety', 'Safety', 'They outrank school and coach; a decision against one is refused.'],
  ['event', 'Rules of the event', 'The rulebook of the day outranks the program.'],
  ['venue', 'Rules of the house', 'What the gym allows, and what is at hand.'],
  ['lift', 'The lift itself', 'What the lift admits.'],
  ['adaptation', 'For now', 'Limits that move; a coach may go past them, and then they are said.'],
];

/** Every rule that is read before school and coach are heard, and those of the week and the hook. */
export function Rules(): ReactElement {
  return (
    <div className="grid gap-8 pt-4">
      {RANKS.map(([rank, title, what]) => (
        <RuleList
          key={rank}
          title={title}
          what={what}
          stop={rank === 'safety'}
          rules={CALL_RULES.filter((rule) => rule.rank === rank)}
        />
      ))}
      <RuleList title="Spacing of hard grip work" what="What clashes in a week." rules={SPACING_RULES} />
      <RuleList
        title="Stages of the hook"
        what="What moves a lifter from stage to stage."
        rules={HOOK_STAGE_RULES}
      >
        <ul className="mt-2 grid gap-1 text-quiet">
          {Object.entries(HOOK_STAGES_BY_ID).map(([id, stage]) => (
            <li key={id}>
              {stage.limit}
              {stage.weeklyMaxSeconds
                ? ` Skin budget: ${stage.weeklyMaxSeconds} s a week at the deadlift max.`
                : ''}
            </li>
          ))}
        </ul>
      </RuleList>
      <RuleList
        title="Cautions"
        what="They stand where they apply. The product advises coaches and is no medical device."
        rules={CAUTIONS.map(({ id, text }) => ({ id, reason: text }))}
      />
    </div>
  );
}

interface RuleListProps {
  readonly title: string;
  readonly what: string;
  readonly stop?: boolean;
  readonly rules: readonly { readonly id: string; readonly reason: string }[];
  readonly children?: ReactNode;
}

function RuleList({ title, what, stop = false, rules, children }: RuleListProps): ReactElement {
  return (
    <section aria-label={title}>
      <h2 className={`border-b-2 pb-1 text-2xl ${stop ? 'border-oxblood text-oxblood' : 'border-ink'}`}>
        {title}
      </h2>
      <p className="py-1 text-quiet">{what}</p>
      <ul>
        {rules.map((rule) => (
          <li key={rule.id} id={rule.id} className="border-b border-rule py-1.5">
            {rule.reason} <span className="label whitespace-nowrap">{rule.id}</span>
          </li>
        ))}
      </ul>
      {children}
    </section>
  );
}
