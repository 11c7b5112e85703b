import {
  ALTERNATION_NAMES,
  ALTERNATIONS,
  BEST_PULLED,
  BEST_PULLED_NAMES,
  CHALK_KINDS,
  CHALK_NAMES,
  SIDES,
} from '@iron-clasp/core';
import type { ReactElement, ReactNode } from 'react';
import { Checkbox } from '../../ui/checkbox.tsx';
import { Choices } from '../../ui/choices.tsx';
import { DateField } from '../../ui/date-field.tsx';
import { Select } from '../../ui/select.tsx';
import type { Draft } from './lifter-draft.ts';

interface Props {
  readonly draft: Draft;
  readonly set: (part: Partial<Draft>) => void;
  readonly fault: (path: string) => string | undefined;
  readonly note: (field: keyof Draft) => ReactNode;
}

/** How the best was pulled, the practised side, and what a coach sees of the hands: each changes a call. */
export function GripHabits({ draft, set, fault, note }: Props): ReactElement {
  return (
    <fieldset className="grid gap-4">
      <legend className="label mb-2">The best deadlift and the grip</legend>
      <div className="grid gap-4 sm:grid-cols-3">
        <Select
          label={<>Pulled with{note('bestPulled')}</>}
          value={draft.bestPulled}
          error={fault('bestPulled')}
          onChange={(bestPulled) => set({ bestPulled })}
          options={BEST_PULLED.map((each) => [each, BEST_PULLED_NAMES[each]] as const)}
        />
        <Select
          label="Chalk"
          value={draft.bestChalk}
          error={fault('bestChalk')}
          onChange={(bestChalk) => set({ bestChalk })}
          options={[
            ['', 'not said'] as const,
            ...CHALK_KINDS.map((each) => [each, CHALK_NAMES[each]] as const),
          ]}
        />
        <DateField
          label="On"
          value={draft.deadliftOn}
          error={fault('deadliftOn')}
          onChange={(deadliftOn) => set({ deadliftOn })}
        />
      </div>
      <Choices
        legend={<>Practised under, mixed grip{note('practisedUnder')}</>}
        value={draft.practisedUnder}
        options={[['', 'not said'] as const, ...SIDES.map((side) => [side, side] as const)]}
        onChange={(practisedUnder) => set({ practisedUnder })}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <Select
          label="Changes sides"
          value={draft.alternation}
          error={fault('alternation')}
          onChange={(alternation) => set({ alternation })}
          options={ALTERNATIONS.map((each) => [each, ALTERNATION_NAMES[each]] as const)}
        />
        <Select
          label="Fingers over the thumb, hook"
          value={draft.thumbFingers}
          error={fault('thumbFingers')}
          onChange={(thumbFingers) => set({ thumbFingers })}
          options={[
            ['', 'not said'],
            ['2', 'two'],
            ['3', 'three'],
          ]}
        />
      </div>
      <div className="grid gap-2 sm:grid-cols-2">
        <Checkbox checked={draft.clenches} onChange={(clenches) => set({ clenches })}>
          Clenches the bar, arms stiff
        </Checkbox>
        <Checkbox
          checked={draft.armsBendUnderMixed}
          onChange={(armsBendUnderMixed) => set({ armsBendUnderMixed })}
        >
          Elbow bends under mixed grip
        </Checkbox>
      </div>
    </fieldset>
  );
}
