import {
  LADDER_STEPS,
  SCHOOLS,
  SET_ROLES,
  type LadderStep,
  type School,
  type StrapCondition,
  type StrapPolicy,
  LADDER_STEP_NAMES,
} from '@iron-clasp/core';
import { X } from 'lucide-react';
import type { ReactElement } from 'react';
import { Checkbox } from '../../ui/checkbox.tsx';
import { Select } from '../../ui/select.tsx';

/** A grip order as chips: take one out, or add one at the end. */
export function GripOrder({
  name,
  steps,
  was,
  error,
  onChange,
}: {
  name: string;
  steps: readonly LadderStep[];
  was: readonly LadderStep[];
  error: string | undefined;
  onChange: (steps: readonly LadderStep[]) => void;
}): ReactElement {
  const left = LADDER_STEPS.filter((step) => !steps.includes(step));
  return (
    <div className="flex flex-wrap items-center gap-2 border-b border-rule py-2">
      <span className="label w-24 shrink-0">{name}</span>
      {steps.map((step, i) => (
        <span key={step} className="inline-flex items-center border border-edge bg-raised pl-2">
          {i > 0 && <span className="mr-1 text-quiet">then</span>}
          {LADDER_STEP_NAMES[step]}
          <button
            type="button"
            aria-label={`${name}: take out ${LADDER_STEP_NAMES[step]}`}
            onClick={() => onChange(steps.filter((each) => each !== step))}
            className="p-1.5 hover:text-forge"
          >
            <X size={14} aria-hidden />
          </button>
        </span>
      ))}
      {left.length > 0 && (
        <Select
          aria-label={`${name}: add a grip`}
          value={'' as LadderStep}
          placeholder="then …"
          options={left.map((step) => [step, LADDER_STEP_NAMES[step]] as const)}
          onChange={(step) => onChange([...steps, step])}
        />
      )}
      {steps.join() !== was.join() && <span className="text-sm text-ochre">adjusted</span>}
      {error && (
        <span role="alert" className="w-full text-oxblood">
          {error}
        </span>
      )}
    </div>
  );
}

/** Every strap policy of the practice book that can be switched on, the original's own first. */
function policiesFor(basedOn: School): readonly StrapPolicy[] {
  const others = SCHOOLS.filter((school) => school.id !== basedOn.id).flatMap((school) => school.strapsFirst);
  return [...basedOn.strapsFirst, ...others];
}

function repsOf(policy: StrapPolicy): number | undefined {
  return policy.when.find(
    (each): each is Extract<StrapCondition, { kind: 'repsAtLeast' }> => each.kind === 'repsAtLeast',
  )?.reps;
}

/** Which strap policies of the practice book a copy follows. */
export function StrapPolicies({
  school,
  basedOn,
  months,
  onChange,
}: {
  school: School;
  basedOn: School;
  months: ReactElement;
  onChange: (part: Partial<School>) => void;
}): ReactElement {
  const last = basedOn.strapsLast ?? {
    id: `school.${school.id}.straps-last`,
    when: [{ kind: 'roles' as const, roles: SET_ROLES.filter((role) => role !== 'attempt') }],
    reason: 'straps once every bare grip has failed',
  };
  return (
    <fieldset>
      <legend className="w-full border-b border-ink pb-1 font-semibold">Straps</legend>
      <ul>
        {policiesFor(basedOn).map((policy) => {
          const on = school.strapsFirst.find((each) => each.id === policy.id);
          const reps = repsOf(on ?? policy);
          return (
            <li key={policy.id} className="flex flex-wrap items-center gap-x-3 border-b border-rule py-1.5">
              <Checkbox
                className="grow"
                checked={on !== undefined}
                onChange={(checked) =>
                  onChange({
                    strapsFirst: checked
                      ? [...school.strapsFirst, policy]
                      : school.strapsFirst.filter((each) => each.id !== policy.id),
                  })
                }
              >
                {policy.reason}
              </Checkbox>
              {on && reps !== undefined && (
                <label className="flex items-center gap-2 text-sm">
                  from
                  <input
                    inputMode="numeric"
                    maxLength={2}
                    aria-label={`Repetitions from which: ${policy.reason}`}
                    value={reps}
                    onChange={(event) =>
                      onChange({
                        strapsFirst: school.strapsFirst.map((each) =>
                          each.id === policy.id
                            ? {
                                ...each,
                                when: each.when.map((when) =>
                                  when.kind === 'repsAtLeast'
                                    ? { ...when, reps: Number(event.target.value) || 1 }
                                    : when,
                                ),
                              }
                            : each,
                        ),
                      })
                    }
                    className="control w-16"
                  />
                  reps
                </label>
              )}
            </li>
          );
        })}
        <li className="border-b border-rule py-1.5">
          <Checkbox
            checked={school.strapsLast !== null}
            onChange={(checked) => onChange({ strapsLast: checked ? last : null })}
          >
            last of all, once the bare grips fall short: {last.reason}
          </Checkbox>
        </li>
        <li className="border-b border-rule py-1.5">
          <Checkbox
            checked={school.soreHands.straps}
            onChange={(checked) =>
              onChange({
                soreHands: {
                  straps: checked,
                  reason: checked
                    ? 'sore hands are spared with straps'
                    : 'hands that merely hurt are still worked',
                },
              })
            }
          >
            for hands that hurt, skin sound
          </Checkbox>
        </li>
        <li className="border-b border-rule py-1.5">
          <Checkbox
            checked={school.lastSetBare === true}
            onChange={(lastSetBare) => onChange({ lastSetBare })}
          >
            the last set of strapped work stays bare, so that the hand keeps its share
          </Checkbox>
        </li>
      </ul>
      <div className="mt-2">{months}</div>
    </fieldset>
  );
}
