import { GRIP_NAMES, HOLD_KINDS_BY_ID, type HoldKindId } from '@iron-clasp/core';
import type { HoldDecisionKind, NextHoldView } from '@iron-clasp/contract';
import { useRef, useState, type ReactElement } from 'react';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { BarDrawing } from '../../ui/marks/bar-drawing.tsx';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { formatMass, inUnit, nearDay, percent, typedMass, typedNumber } from '../../ui/figures.ts';
import { Caution, Failed } from '../../ui/states.tsx';
import { useDecideHold, usePlanHold, useUndoHoldDecision } from '../../data/holds/holds.ts';

interface NextHoldProps {
  readonly lifterId: string;
  readonly kind: HoldKindId;
  readonly next: NextHoldView;
  readonly today: string;
}

/** The next session of a hold: what it asks, why, and what the coach makes of it. */
export function NextHold({ lifterId, kind, next, today }: NextHoldProps): ReactElement {
  const unit = useUnit();
  const coach = useIsCoach();
  const { prescription: hold, decision } = next;
  const hang = kind === 'deadHang' || kind === 'fabricHang';
  const load =
    hang && hold.load === 0 ? 'the body alone' : `${hang ? '+ ' : ''}${formatMass(hold.load, unit)}`;
  return (
    <li className="grid gap-x-6 gap-y-2 border-b border-rule py-3 md:grid-cols-[9rem_minmax(0,1fr)_auto]">
      <p>
        <b>{nearDay(next.on, today)}</b>
        <span className="block text-sm text-quiet">
          {next.title}, {next.venue}
        </span>
      </p>
      <div className="min-w-0">
        <p className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <b className="text-lg">{HOLD_KINDS_BY_ID[kind].name}</b>
          <span className="figures text-2xl font-semibold">
            {hold.sets} × {hold.reps !== undefined ? `${hold.reps} reps` : `${hold.seconds} s`} at {load}
          </span>
          <span className="flex items-center gap-2">
            <GripMark choice={hold.grip} {...(hold.sideUnder && { sideUnder: hold.sideUnder })} size={24} />
            {GRIP_NAMES[hold.grip]}
          </span>
          {hold.loading.perSide.length > 0 && <BarDrawing loading={hold.loading} height={34} />}
          <span className="text-sm text-quiet">
            holds {percent(hold.probability)}; {next.history} {next.history === 1 ? 'hold' : 'holds'} of this
            kind behind it
          </span>
        </p>
        {hold.barred && <Caution stop={hold.barred.rank === 'safety'}>{hold.barred.text}</Caution>}
        <p className="text-sm text-quiet">
          {hold.why.map((why) => why.text).join(' ')} {hold.pins} Rest {Math.round(hold.rest[0] / 60)} to{' '}
          {Math.round(hold.rest[1] / 60)} min.
        </p>
      </div>
      {coach && (
        <div className="flex flex-col items-start gap-1 md:items-end">
          <Decide lifterId={lifterId} next={next} decided={decision?.what ?? null} />
          {decision && (
            <p className="text-sm text-quiet">
              {decision.what} by {decision.by}
            </p>
          )}
        </div>
      )}
    </li>
  );
}

function Decide({
  lifterId,
  next,
  decided,
}: {
  lifterId: string;
  next: NextHoldView;
  decided: HoldDecisionKind | null;
}): ReactElement {
  const unit = useUnit();
  const decide = useDecideHold(lifterId);
  const undo = useUndoHoldDecision(lifterId);
  const plan = usePlanHold(lifterId);
  const id = useRef(crypto.randomUUID());
  const [open, setOpen] = useState<'changed' | 'skipped' | null>(null);
  const { prescription: hold, sessionId } = next;
  const [figures, setFigures] = useState({
    sets: String(hold.sets),
    seconds: String(hold.seconds),
    load: String(Number(inUnit(hold.load, unit).toFixed(1))),
    reason: '',
  });
  const fault = (field: string): string | undefined =>
    decide.error?.fields.find((each) => each.path === field)?.message;
  const send = (what: HoldDecisionKind): void =>
    decide.mutate(
      {
        sessionId,
        id: id.current,
        body: {
          what,
          ...(what === 'changed' && {
            sets: typedNumber(figures.sets),
            seconds: typedNumber(figures.seconds),
            load: typedMass(figures.load, unit),
          }),
          ...(what !== 'accepted' && { reason: figures.reason }),
        },
      },
      {
        onSuccess: () => {
          id.current = crypto.randomUUID();
          setOpen(null);
        },
      },
    );
  const field = (name: 'sets' | 'seconds' | 'load', label: string): ReactElement => (
    <Field
      label={label}
      inputMode="decimal"
      value={figures[name]}
      error={fault(name)}
      onChange={(event) => setFigures({ ...figures, [name]: event.target.value })}
    />
  );
  if (decided && next.decision)
    return (
      <Button disabled={undo.isPending} onClick={() => undo.mutate({ sessionId, id: next.decision!.id })}>
        Undo
      </Button>
    );
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap gap-2 md:justify-end">
        <Button disabled={decide.isPending || hold.barred !== undefined} onClick={() => send('accepted')}>
          Accept
        </Button>
        <Button
          aria-expanded={open === 'changed'}
          disabled={hold.barred?.rank === 'safety'}
          onClick={() => setOpen(open === 'changed' ? null : 'changed')}
        >
          Edit
        </Button>
        <Button
          aria-expanded={open === 'skipped'}
          onClick={() => setOpen(open === 'skipped' ? null : 'skipped')}
        >
          Skip
        </Button>
        <Button
          look="quiet"
          disabled={plan.isPending}
          onClick={() => plan.mutate({ sessionId, kind: null, version: next.version })}
        >
          Remove
        </Button>
      </div>
      {open && (
        <form
          noValidate
          aria-label={open === 'changed' ? 'Change the hold' : 'Skip the hold'}
          className="grid w-full max-w-sm gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            send(open);
          }}
        >
          {open === 'changed' && (
            <div className="grid grid-cols-3 gap-2">
              {field('sets', 'Sets')}
              {field('seconds', 'Seconds')}
              {field('load', `Load (${unit})`)}
            </div>
          )}
          <Field
            label="Why"
            value={figures.reason}
            maxLength={300}
            error={fault('reason')}
            onChange={(event) => setFigures({ ...figures, reason: event.target.value })}
          />
          <Button type="submit" look="action" disabled={decide.isPending}>
            {open === 'changed' ? 'Save' : 'Skip it'}
          </Button>
        </form>
      )}
      {decide.error && decide.error.fields.length === 0 && <Failed error={decide.error} />}
      {plan.error && <Failed error={plan.error} />}
    </div>
  );
}
