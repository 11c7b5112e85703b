import type { UsualMistake } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import { Caution } from './states.tsx';

/** What the log of the last four weeks shows too often, said as a coach would. */
export function Mistakes({ found }: { found: readonly UsualMistake[] }): ReactElement | null {
  if (found.length === 0) return null;
  return (
    <section aria-label="Usual mistakes" className="my-4">
      <h2 className="label">What the last four weeks show</h2>
      <ul className="mt-1 grid gap-1">
        {found.map(({ id, text, sets }) => (
          <li key={id} data-rule={id}>
            <Caution>
              {text} <span className="text-quiet">{sets === 1 ? 'once' : `${sets} times`}</span>
            </Caution>
          </li>
        ))}
      </ul>
    </section>
  );
}
