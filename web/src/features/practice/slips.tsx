import { MISTAKE_RULES, SLIP_CAUSES } from '@iron-clasp/core';
import type { ReactElement } from 'react';

/** Why grips fail, what in a log shows it, what to do; and the usual mistakes. */
export function Slips(): ReactElement {
  return (
    <div className="grid gap-8 pt-4">
      <section aria-label="Why a grip fails">
        <h2 className="border-b-2 border-ink pb-1 text-2xl">Why a grip fails</h2>
        <ul>
          {SLIP_CAUSES.map((cause) => (
            <li key={cause.id} className="grid gap-x-8 gap-y-1 border-b border-rule py-3 md:grid-cols-2">
              <div>
                <p className="font-semibold">{cause.cause}</p>
                <p className="text-sm text-quiet">
                  Shown by: {cause.clues.map((clue) => clue.text).join('; ')}.
                </p>
              </div>
              <ol className="list-decimal pl-6">
                {cause.remedies.map((remedy) => (
                  <li key={remedy}>{remedy}</li>
                ))}
              </ol>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Usual mistakes">
        <h2 className="border-b-2 border-ink pb-1 text-2xl">Usual mistakes</h2>
        <ul>
          {MISTAKE_RULES.map((rule) => (
            <li key={rule.id} className="border-b border-rule py-1.5">
              {rule.text}
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
