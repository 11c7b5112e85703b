import {
  CHALK_KINDS,
  CHALK_NAMES,
  GRIP_CHOICES,
  GRIP_NAMES,
  rankSlipCauses,
  SIDES,
  SLIP_CAUSES,
  SLIP_SIGN_NAMES,
  SLIP_SIGNS,
  toKg,
  type GripChoice,
} from '@iron-clasp/core';
import { slipOf, type CalledSet, type LogSetRequest } from '@iron-clasp/contract';
import { Minus, Plus } from 'lucide-react';
import clsx from 'clsx';
import { useState, type ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { Choices } from '../../ui/choices.tsx';
import { formatMass, inUnit } from '../../ui/figures.ts';
import { choiceOf } from './lane.ts';
import { SECOND } from './panel-sizes.ts';
import { Scale } from './scale.tsx';
import { Toggles } from '../../ui/toggles.tsx';
import { TextArea } from '../../ui/text-area.tsx';

type Body = Omit<LogSetRequest, 'doneAt'>;

interface OtherwiseProps {
  readonly set: CalledSet;
  readonly start: Body;
  readonly slipped: boolean;
  readonly onLog: (body: Body) => void;
  /** Leaves the set out; not for one that is logged already. */
  readonly onSkip?: () => void;
  readonly onClose: () => void;
}

/** Smallest change of load that a thumb asks for, in the reader's unit. */
const STEP = { kg: 2.5, lb: 5 } as const;

/** A set that went otherwise than called, told without typing: steppers and large choices; a note only where one wants. */
export function Otherwise({ set, start, slipped, onLog, onSkip, onClose }: OtherwiseProps): ReactElement {
  const unit = useUnit();
  const [body, setBody] = useState<Body>(() => ({
    ...start,
    ...(slipped && start.slippedAtRep === undefined && { slippedAtRep: start.reps }),
  }));
  const change = (part: Partial<{ [Key in keyof Body]: Body[Key] | undefined }>): void => {
    const next = { ...body, ...part };
    setBody(
      Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined)) as unknown as Body,
    );
  };
  const step = toKg(STEP[unit], unit);
  const choose = (choice: GripChoice): void => {
    const { sideUnder = set.call.sideUnder, ...rest } = body;
    setBody({
      ...rest,
      strapped: choice === 'straps',
      grip: choice === 'straps' ? 'doubleOverhand' : choice,
      ...(choice === 'mixed' && sideUnder && { sideUnder }),
    });
  };
  const causes =
    body.slippedAtRep === undefined
      ? []
      : rankSlipCauses([
          slipOf(
            set,
            { ...body, slippedAtRep: Math.min(body.slippedAtRep, body.reps) },
            set.call.probability,
          ),
        ]).slice(0, 4);
  const offered = [
    ...causes.map(({ id, cause }) => ({ id, cause })),
    ...SLIP_CAUSES.filter((each) => each.id === body.cause && !causes.some((one) => one.id === each.id)),
  ];
  return (
    <section aria-label="The set otherwise" className="mx-auto flex min-h-0 w-full max-w-2xl grow flex-col">
      <div className="grid min-h-0 grow content-start gap-4 overflow-y-auto px-4 py-3">
        <h2 className="text-2xl">{set.liftName}: how it went</h2>
        <div className="grid grid-cols-2 gap-4">
          <Stepper
            label="Load"
            value={formatMass(body.load, unit)}
            onLess={() => change({ load: Math.max(step, body.load - step) })}
            onMore={() => change({ load: Math.min(600, snapped(body.load, step, unit)) })}
          />
          {set.seconds !== null ? (
            <Stepper
              label="Seconds"
              value={`${Math.round(body.seconds ?? set.seconds)} s`}
              onLess={() => change({ seconds: Math.max(1, Math.round(body.seconds ?? set.seconds!) - 1) })}
              onMore={() => change({ seconds: Math.min(600, Math.round(body.seconds ?? set.seconds!) + 1) })}
            />
          ) : (
            <Stepper
              label="Repetitions"
              value={String(body.reps)}
              onLess={() =>
                change({
                  reps: Math.max(1, body.reps - 1),
                  ...(body.slippedAtRep && {
                    slippedAtRep: Math.min(body.slippedAtRep, Math.max(1, body.reps - 1)),
                  }),
                })
              }
              onMore={() => change({ reps: Math.min(100, body.reps + 1) })}
            />
          )}
        </div>
        <Choices
          large
          legend="Grip"
          value={choiceOf(body)}
          options={GRIP_CHOICES.map((each) => [each, GRIP_NAMES[each]] as const)}
          onChange={choose}
        />
        {body.grip === 'mixed' && !body.strapped && (
          <Choices
            large
            legend="Under"
            value={body.sideUnder ?? ''}
            options={SIDES.map((side) => [side, side] as const)}
            onChange={(side) => change({ sideUnder: side || undefined })}
          />
        )}
        <Choices
          large
          legend="Chalk"
          value={body.chalk}
          options={CHALK_KINDS.map((each) => [each, CHALK_NAMES[each]] as const)}
          onChange={(chalk) => change({ chalk })}
        />
        <Choices
          large
          legend="Slipped"
          value={body.slippedAtRep === undefined ? 'no' : String(body.slippedAtRep)}
          options={[
            ['no', 'held'],
            ...(set.seconds !== null
              ? [['1', 'slipped'] as const]
              : Array.from({ length: body.reps }, (_, i) => [String(i + 1), `at ${i + 1}`] as const)),
          ]}
          onChange={(value) =>
            change({
              slippedAtRep: value === 'no' ? undefined : Number(value),
              ...(value === 'no' && { cause: undefined, signs: undefined }),
            })
          }
        />
        {body.slippedAtRep !== undefined && (
          <Toggles
            legend="What was seen"
            values={body.signs ?? []}
            options={SLIP_SIGNS.map((sign) => [sign, SLIP_SIGN_NAMES[sign]] as const)}
            onChange={(signs) => change({ signs: signs.length > 0 ? [...signs] : undefined })}
          />
        )}
        <Scale label="Pain" from={0} to={10} value={body.pain} onChange={(pain) => change({ pain })} />
        <Scale
          label="Confidence before it"
          from={1}
          to={5}
          value={body.confidence}
          onChange={(confidence) => change({ confidence })}
        />
        {offered.length > 0 && (
          <Choices
            large
            legend="Why it slipped, likeliest first"
            value={body.cause ?? ''}
            options={[['', 'not said'], ...offered.map(({ id, cause }) => [id, cause] as const)]}
            onChange={(cause) => change({ cause: cause || undefined })}
          />
        )}
        <TextArea
          label="Note"
          rows={2}
          maxLength={500}
          value={body.note ?? ''}
          onChange={(event) => change({ note: event.target.value || undefined })}
        />
      </div>
      <div className="grid shrink-0 grid-flow-col auto-cols-fr gap-2 px-3 py-2">
        <Button className={SECOND} onClick={onClose}>
          Cancel
        </Button>
        {onSkip && (
          <Button className={SECOND} onClick={onSkip}>
            Skip this set
          </Button>
        )}
        <Button look="action" className={clsx('text-xl', SECOND)} onClick={() => onLog(body)}>
          Log it
        </Button>
      </div>
    </section>
  );
}

/** The next load up that stands on the step. */
function snapped(kg: number, step: number, unit: 'kg' | 'lb'): number {
  const whole = Math.round(inUnit(kg + step, unit) / STEP[unit]) * STEP[unit];
  return toKg(whole, unit);
}

function Stepper({
  label,
  value,
  onLess,
  onMore,
}: {
  label: string;
  value: string;
  onLess: () => void;
  onMore: () => void;
}): ReactElement {
  const button =
    'grid min-h-14 w-13 shrink-0 place-items-center border border-edge bg-raised hover:border-ink';
  return (
    <div role="group" aria-label={label}>
      <p className="label">{label}</p>
      <div className="mt-1 flex items-center justify-between gap-1">
        <button type="button" aria-label={`${label}: less`} className={button} onClick={onLess}>
          <Minus size={24} aria-hidden />
        </button>
        <output className="figures text-xl font-semibold whitespace-nowrap">{value}</output>
        <button type="button" aria-label={`${label}: more`} className={button} onClick={onMore}>
          <Plus size={24} aria-hidden />
        </button>
      </div>
    </div>
  );
}
