import { HOLD_KINDS, HOLD_KINDS_BY_ID } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import { effortWords } from './schools.tsx';

/** Every kind of hold: what it is for, where it starts, how it moves on, where it stops. */
export function Holds(): ReactElement {
  return (
    <ul className="pt-2">
      {HOLD_KINDS.map((id) => {
        const kind = HOLD_KINDS_BY_ID[id];
        const seconds = kind.secondsByAim ? Object.values(kind.secondsByAim).join(', ') : kind.seconds;
        return (
          <li key={id} className="grid gap-x-8 gap-y-1 border-b border-rule py-3 md:grid-cols-[16rem_1fr]">
            <div>
              <h2 className="text-xl">{kind.name}</h2>
              <p className="text-quiet">{kind.aim}</p>
            </div>
            <div className="grid gap-1">
              <p>
                {kind.bySchool ? 'As the school holds them' : `${kind.sets} × ${seconds} s`}, rest{' '}
                {kind.rest[0] / 60}–{kind.rest[1] / 60} min; {kind.reason}.
              </p>
              <p>
                <span className="label">set up</span> {kind.setUp}
              </p>
              <p>
                <span className="label">effort</span>{' '}
                {kind.effort ? effortWords(kind.effort) : 'as the school or the coach has it'}
              </p>
              <p>
                <span className="label">beyond</span> {kind.beyond}
                {kind.ceilingShare !== null &&
                  ` Never above ${Math.round(kind.ceilingShare * 100)} % of the deadlift max unless the coach raises it.`}
              </p>
            </div>
          </li>
        );
      })}
    </ul>
  );
}
