import { HOLD_AIM_NAMES, HOLD_AIMS, HOLD_KINDS_BY_ID, type HoldAim, type MassUnit } from '@iron-clasp/core';
import { HoldSettingRequest, type HoldKindView, type HoldSettingView } from '@iron-clasp/contract';
import { type ReactElement } from 'react';
import { Controller } from 'react-hook-form';
import { useSetHold } from '../../data/holds/holds.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { FormEnd } from '../../ui/form-end.tsx';
import { DateField } from '../../ui/date-field.tsx';
import { Field } from '../../ui/field.tsx';
import { inUnit, typedMass, typedNumber } from '../../ui/figures.ts';
import { useRequestForm } from '../../ui/request-form.ts';
import { Select } from '../../ui/select.tsx';

interface Typed {
  aim: HoldAim | '';
  effort: 'own' | 'nearLimit' | 'fractionOfBest';
  /** Per cent: of times it is held, or of the predicted time. */
  share: string;
  ceiling: string;
  target: string;
  targetOn: string;
  pinHeight: string;
}

/** What is typed of a setting as it stands, in the reader's unit. */
function typedOf(setting: HoldSettingView | null, unit: MassUnit): Typed {
  const mass = (kg: number | undefined | null): string =>
    kg ? String(Number(inUnit(kg, unit).toFixed(1))) : '';
  const effort = setting?.effort;
  const share = effort ? (effort.kind === 'nearLimit' ? effort.probability : effort.fraction) : null;
  return {
    aim: setting?.aim ?? '',
    effort: effort?.kind ?? 'own',
    share: share === null ? '' : String(Math.round(100 * share)),
    ceiling: mass(setting?.ceiling),
    target: mass(setting?.target?.load),
    targetOn: setting?.target?.on ?? '',
    pinHeight: setting?.pinHeight ? String(setting.pinHeight) : '',
  };
}

/** How this kind of hold is prescribed to the lifter, where the coach wants it otherwise than the book or the school. */
export function HoldSetting({
  lifterId,
  of: { kind, setting, pinHeights },
  onClose,
}: {
  lifterId: string;
  of: HoldKindView;
  onClose: () => void;
}): ReactElement {
  const unit = useUnit();
  const save = useSetHold(lifterId);
  const { name, secondsByAim, pins } = HOLD_KINDS_BY_ID[kind];
  const { form, field, fault, onSubmit, failed, sending } = useRequestForm<
    Typed,
    HoldSettingRequest,
    unknown
  >({
    request: HoldSettingRequest,
    start: typedOf(setting, unit),
    bodyOf: ({ aim, effort, share, ceiling, target, targetOn, pinHeight }) =>
      Object.assign(new HoldSettingRequest(), {
        aim: aim || null,
        effort:
          effort === 'own'
            ? null
            : {
                kind: effort,
                [effort === 'nearLimit' ? 'probability' : 'fraction']: typedNumber(share) / 100,
              },
        ceiling: ceiling.trim() === '' ? null : typedMass(ceiling, unit),
        target:
          target.trim() === '' && targetOn === '' ? null : { load: typedMass(target, unit), on: targetOn },
        pinHeight: pinHeight.trim() === '' ? null : typedNumber(pinHeight),
        version: setting?.version ?? 0,
      }),
    send: (body) => save.mutateAsync({ kind, body }),
    onSaved: onClose,
  });
  const effort = form.watch('effort');
  const holes = pinHeights.map((height, i) => [String(height), `hole ${i + 1}, ${height} mm`] as const);
  return (
    <form
      noValidate
      aria-label={`Set up ${name}`}
      className="mt-2 grid max-w-2xl gap-3 border-l-4 border-rule pl-3 sm:grid-cols-2"
      onSubmit={onSubmit}
    >
      {secondsByAim && (
        <Controller
          control={form.control}
          name="aim"
          render={({ field: { value, onChange } }) => (
            <Select
              label="What it is for"
              value={value}
              error={fault('aim')}
              options={[
                ['', 'not said: 30 s'],
                ...HOLD_AIMS.map((aim) => [aim, `${HOLD_AIM_NAMES[aim]}: ${secondsByAim[aim]} s`] as const),
              ]}
              onChange={onChange}
            />
          )}
        />
      )}
      <Controller
        control={form.control}
        name="effort"
        render={({ field: { value, onChange } }) => (
          <Select
            label="How close to the limit"
            value={value}
            error={fault('effort')}
            options={[
              ['own', 'as the book and the school say'],
              ['nearLimit', 'near the limit'],
              ['fractionOfBest', 'a share of the predicted time'],
            ]}
            onChange={onChange}
          />
        )}
      />
      {effort !== 'own' && (
        <Field
          label={effort === 'nearLimit' ? 'Times held in 100' : 'Share of the time'}
          unit={effort === 'nearLimit' ? '' : '%'}
          inputMode="numeric"
          {...field('share', effort === 'nearLimit' ? 'effort.probability' : 'effort.fraction')}
        />
      )}
      <Field label="Never above" unit={unit} inputMode="decimal" {...field('ceiling')} />
      <Field label="Target" unit={unit} inputMode="decimal" {...field('target', 'target.load')} />
      <Controller
        control={form.control}
        name="targetOn"
        render={({ field: { value, onChange } }) => (
          <DateField label="Target day" value={value} error={fault('target.on')} onChange={onChange} />
        )}
      />
      {pins &&
        (holes.length > 0 ? (
          <Controller
            control={form.control}
            name="pinHeight"
            render={({ field: { value, onChange } }) => (
              <Select
                label="Pins"
                value={value}
                error={fault('pinHeight')}
                options={[
                  ['', 'as last time'],
                  ...(value === '' || holes.some(([height]) => height === value)
                    ? []
                    : [[value, `${value} mm`] as const]),
                  ...holes,
                ]}
                onChange={onChange}
              />
            )}
          />
        ) : (
          <Field label="Pins above the floor" unit="mm" inputMode="numeric" {...field('pinHeight')} />
        ))}
      <FormEnd failed={failed} sending={sending} onCancel={onClose} className="sm:col-span-2" />
    </form>
  );
}
