import { GRIP_NAMES, HOLD_KINDS_BY_ID, type HoldKindId } from '@iron-clasp/core';
import {
  HoldDecisionRequest,
  type HoldDecisionKind,
  type HoldKindView,
  type NextHoldView,
} from '@iron-clasp/contract';
import { useRef, useState, type ReactElement } from 'react';
import { namedLoad } from '../../ui/at-hand.tsx';
import { useIsCoach } from '../../data/session/use-is-coach.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { BarDrawing } from '../../ui/marks/bar-drawing.tsx';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { formatMass, inUnit, nearDay, percent, shortDay, typedMass, typedNumber } from '../../ui/figures.ts';
import { useRequestForm } from '../../ui/request-form.ts';
import { Caution, Failed } from '../../ui/states.tsx';
import { HoldSetting } from './hold-setting.tsx';
import { useDecideHold, usePlanHold, useUndoHoldDecision } from '../../data/holds/holds.ts';

interface NextHoldProps {
  readonly lifterId: string;
  readonly of: HoldKindView;
  /** All that its session holds. */
  readonly kinds: readonly HoldKindId[];
  readonly next: NextHoldView;
  readonly today: string;
}

/** The next session of a hold: what it asks, why, and what the coach makes of it. */
export function NextHold({ lifterId, of, kinds, next, today }: NextHoldProps): ReactElement {
  const unit = useUnit();
  const coach = useIsCoach();
  const { kind } = of;
  const { prescription: hold, decision } = next;
  const [settingUp, setSettingUp] = useState(false);
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
          {hold.ramp.length > 0 &&
            ` First ${hold.ramp.map(({ loading, seconds }) => `${namedLoad(loading, unit)} for ${seconds} s`).join(', ')}.`}
        </p>
        {of.setting?.target && (
          <p className="text-sm">
            Target: {formatMass(of.setting.target.load, unit)} on {shortDay(of.setting.target.on)}
          </p>
        )}
        {settingUp && <HoldSetting lifterId={lifterId} of={of} onClose={() => setSettingUp(false)} />}
      </div>
      {coach && (
        <div className="flex flex-col items-start gap-1 md:items-end">
          <Decide
            lifterId={lifterId}
            kind={kind}
            kinds={kinds}
            next={next}
            decided={decision?.what ?? null}
          />
          <Button look="quiet" aria-expanded={settingUp} onClick={() => setSettingUp(!settingUp)}>
            Set up<span className="sr-only"> {HOLD_KINDS_BY_ID[kind].name}</span>
          </Button>
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
  kind,
  kinds,
  next,
  decided,
}: {
  lifterId: string;
  kind: HoldKindId;
  kinds: readonly HoldKindId[];
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
  const done = (): void => {
    id.current = crypto.randomUUID();
    setOpen(null);
  };
  const { field, onSubmit, failed, sending } = useRequestForm({
    request: HoldDecisionRequest,
    start: {
      sets: String(hold.sets),
      seconds: String(hold.seconds),
      load: String(Number(inUnit(hold.load, unit).toFixed(1))),
      reason: '',
    },
    bodyOf: ({ sets, seconds, load, reason }): HoldDecisionRequest => ({
      kind,
      what: open ?? 'accepted',
      ...(open === 'changed' && {
        sets: typedNumber(sets),
        seconds: typedNumber(seconds),
        load: typedMass(load, unit),
      }),
      reason,
    }),
    send: (body) => decide.mutateAsync({ sessionId, id: id.current, body }),
    onSaved: done,
  });
  if (decided && next.decision)
    return (
      <Button disabled={undo.isPending} onClick={() => undo.mutate({ sessionId, id: next.decision!.id })}>
        Undo
      </Button>
    );
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap gap-2 md:justify-end">
        <Button
          disabled={decide.isPending || hold.barred !== undefined}
          onClick={() =>
            decide.mutate(
              { sessionId, id: id.current, body: { kind, what: 'accepted' } },
              { onSuccess: done },
            )
          }
        >
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
          onClick={() =>
            plan.mutate({ sessionId, kinds: kinds.filter((each) => each !== kind), version: next.version })
          }
        >
          Remove
        </Button>
      </div>
      {open && (
        <form
          noValidate
          aria-label={open === 'changed' ? 'Edit the hold' : 'Skip the hold'}
          className="grid w-full max-w-sm gap-2"
          onSubmit={onSubmit}
        >
          {open === 'changed' && (
            <div className="grid grid-cols-3 gap-2">
              <Field label="Sets" inputMode="numeric" {...field('sets')} />
              <Field label="Seconds" inputMode="decimal" {...field('seconds')} />
              <Field label="Load" unit={unit} inputMode="decimal" {...field('load')} />
            </div>
          )}
          <Field label="Why" maxLength={300} {...field('reason')} />
          <Button type="submit" look="action" disabled={sending}>
            {open === 'changed' ? 'Save' : 'Skip it'}
          </Button>
        </form>
      )}
      {(failed ?? (open === null ? decide.error : null)) && <Failed error={failed ?? decide.error} />}
      {plan.error && <Failed error={plan.error} />}
    </div>
  );
}
