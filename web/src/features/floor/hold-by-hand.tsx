import { LogHoldRequest } from '@iron-clasp/contract';
import type { MassUnit } from '@iron-clasp/core';
import type { ReactElement } from 'react';
import { Controller } from 'react-hook-form';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { inUnit, typedMass, typedNumber } from '../../ui/figures.ts';
import { useRequestForm } from '../../ui/request-form.ts';
import { clockNow } from '../../data/clock.ts';
import { Choices } from '../../ui/choices.tsx';

interface Typed {
  /** In the reader's unit, as typed. */
  load: string;
  seconds: string;
  ended: LogHoldRequest['ended'];
}

interface HoldByHandProps {
  readonly unit: MassUnit;
  readonly start: Pick<LogHoldRequest, 'load' | 'seconds' | 'ended'>;
  readonly rest: Omit<LogHoldRequest, 'load' | 'seconds' | 'ended' | 'doneAt'>;
  /** It starts from pins, from which it may not break. */
  readonly pins: boolean;
  readonly onLog: (entry: LogHoldRequest) => void;
  readonly onCancel: () => void;
}

/** A hold typed in: for a stopwatch in somebody's hand, or to put a figure right. Checked by the contract itself. */
export function HoldByHand({ unit, start, rest, pins, onLog, onCancel }: HoldByHandProps): ReactElement {
  const entryOf = (typed: Typed): LogHoldRequest =>
    Object.assign(new LogHoldRequest(), rest, {
      load: typedMass(typed.load, unit),
      seconds: typed.ended === 'notLifted' ? 0 : typedNumber(typed.seconds),
      ended: typed.ended,
      doneAt: clockNow().toISOString(),
    });
  const { form, field, onSubmit } = useRequestForm<Typed, LogHoldRequest, void>({
    request: LogHoldRequest,
    start: {
      load: String(Number(inUnit(start.load, unit).toFixed(1))),
      seconds: String(start.seconds || ''),
      ended: start.ended,
    },
    bodyOf: entryOf,
    // Kept on this device at once; the queue sends it.
    send: async (entry) => onLog(entry),
  });
  return (
    <form
      noValidate
      aria-label="Enter a hold"
      className="mx-auto flex min-h-0 w-full max-w-md grow flex-col gap-2 px-3 pb-2 text-left"
      onSubmit={onSubmit}
    >
      <div className="grid min-h-0 grow content-start gap-2 overflow-y-auto py-2">
        <div className="grid grid-cols-2 gap-2">
          {' '}
          <Field label="Load" unit={unit} inputMode="decimal" autoComplete="off" {...field('load')} />
          <Field label="Seconds held" inputMode="decimal" autoComplete="off" {...field('seconds')} />
        </div>
        <Controller
          control={form.control}
          name="ended"
          render={({ field }) => (
            <Choices
              large
              legend="How it ended"
              value={field.value ?? ''}
              options={[
                ['stopped', 'Put down'],
                ['slipped', 'Slipped'],
                ...(pins ? [['notLifted', 'Not broken from the pins'] as const] : []),
              ]}
              onChange={field.onChange}
            />
          )}
        />
      </div>
      <div className="grid shrink-0 grid-cols-2 gap-2">
        <Button className="min-h-13" onClick={onCancel}>
          Back to the clock
        </Button>
        <Button look="action" type="submit" className="min-h-13">
          Log the hold
        </Button>
      </div>
    </form>
  );
}
