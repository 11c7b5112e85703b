import { CHALK_PLACES, CUES, GRIP_CHOICES, GRIP_NAMES, type Advice, type GripChoice } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import {
  CHALK_STEPS,
  HOOK_STEPS,
  MIXED_STEPS,
  OVERHAND_STEPS,
  STRAP_STEPS,
  TAPE_STEPS,
  type DrawnStep,
} from '../../ui/marks/set-up-drawings.tsx';
import { GripMark } from '../../ui/marks/grip-mark.tsx';

const cuesOf = (start: string): readonly Advice[] => CUES.filter((cue) => cue.id.startsWith(start));
const PARTS = [
  ['doubleOverhand', cuesOf('cue.double-overhand')],
  ['mixed', cuesOf('cue.mixed')],
  ['hook', cuesOf('cue.hook')],
  ['straps', [...cuesOf('cue.straps'), ...cuesOf('cue.figure-eight')]],
] as const;

const DRAWN: Partial<Record<GripChoice, readonly DrawnStep[]>> = {
  doubleOverhand: OVERHAND_STEPS,
  mixed: MIXED_STEPS,
  hook: HOOK_STEPS,
  straps: STRAP_STEPS,
};

/** Steps in pictures, each with its words. */
function Drawn({ steps }: { steps: readonly DrawnStep[] }): ReactElement {
  return (
    <ol className="mt-3 grid gap-3">
      {steps.map((step, i) => (
        <li key={step.words} className="flex items-center gap-4">
          {step.drawing}
          <span>
            <b className="figures mr-2 text-lg">{i + 1}</b>
            {step.words}
          </span>
        </li>
      ))}
    </ol>
  );
}

/** How each grip is set, step by step, and where its chalk goes. */
export function SetUp(): ReactElement {
  const named = new Set(PARTS.flatMap(([, cues]) => cues.map((cue) => cue.id)));
  return (
    <div className="grid gap-x-10 gap-y-8 pt-4 md:grid-cols-2">
      {GRIP_CHOICES.map((choice) => {
        const cues = PARTS.find(([id]) => id === choice)![1];
        return (
          <section key={choice} aria-label={GRIP_NAMES[choice]}>
            <h2 className="flex items-center gap-3 border-b-2 border-ink pb-2 text-2xl">
              <GripMark choice={choice} {...(choice === 'mixed' && { sideUnder: 'left' })} size={34} />
              <span className="first-letter:uppercase inline-block">{GRIP_NAMES[choice]}</span>
            </h2>
            {DRAWN[choice] && <Drawn steps={DRAWN[choice]} />}
            <p className="label mt-3">said with a set</p>
            <ul>
              {cues.map((cue) => (
                <li key={cue.id} className="py-1">
                  {cue.text}
                </li>
              ))}
            </ul>
            <p className="mt-1">
              <span className="label">chalk</span> {CHALK_PLACES[choice].join(', ')}
            </p>
          </section>
        );
      })}
      <section aria-label="Chalk">
        <h2 className="border-b-2 border-ink pb-2 text-2xl">Chalk</h2>
        <Drawn steps={CHALK_STEPS} />
      </section>
      <section aria-label="Tape">
        <h2 className="border-b-2 border-ink pb-2 text-2xl">Tape</h2>
        <Drawn steps={TAPE_STEPS} />
      </section>
      <section aria-label="Wherever it applies" className="md:col-span-2">
        <h2 className="border-b-2 border-ink pb-1 text-2xl">Wherever it applies</h2>
        <ul>
          {CUES.filter((cue) => !named.has(cue.id)).map((cue) => (
            <li key={cue.id} className="border-b border-rule py-1.5">
              {cue.text}
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
