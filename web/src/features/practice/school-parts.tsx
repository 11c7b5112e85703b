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
        <select
          aria-label={`${name}: add a grip`}
          value=""
          onChange={(event) => onChange([...steps, event.target.value as LadderStep])}
          className="rounded-sm border border-edge bg-ground px-2 py-1"
        >
          <option value="">then …</option>
          {left.map((step) => (
            <option key={step} value={step}>
              {LADDER_STEP_NAMES[step]}
            </option>
          ))}
        </select>
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
              <label className="flex grow items-center gap-2">
                <input
                  type="checkbox"
                  checked={on !== undefined}
                  onChange={(event) =>
                    onChange({
                      strapsFirst: event.target.checked
                        ? [...school.strapsFirst, policy]
                        : school.strapsFirst.filter((each) => each.id !== policy.id),
                    })
                  }
                  className="accent-forge"
                />
                {policy.reason}
              </label>
              {on && reps !== undefined && (
                <label className="flex items-center gap-2 text-sm">
                  from
                  <input
                    type="number"
                    min={1}
                    max={30}
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
                    className="w-16 rounded-sm border border-edge bg-ground px-2 py-1"
                  />
                  reps
                </label>
              )}
            </li>
          );
        })}
        <li className="border-b border-rule py-1.5">
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={school.strapsLast !== null}
              onChange={(event) => onChange({ strapsLast: event.target.checked ? last : null })}
              className="accent-forge"
            />
            last of all, once the bare grips fall short: {last.reason}
          </label>
        </li>
        <li className="border-b border-rule py-1.5">
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={school.soreHands.straps}
              onChange={(event) =>
                onChange({
                  soreHands: {
                    straps: event.target.checked,
                    reason: event.target.checked
                      ? 'sore hands are spared with straps'
                      : 'hands that merely hurt are still worked',
                  },
                })
              }
              className="accent-forge"
            />
            for hands that hurt, skin sound
          </label>
        </li>
      </ul>
      <div className="mt-2">{months}</div>
    </fieldset>
  );
}
