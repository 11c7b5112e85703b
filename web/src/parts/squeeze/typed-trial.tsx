import { MAX_SQUEEZE, type Side } from '@iron-clasp/core';
import { useEffect, useRef, useState, type FormEvent, type ReactElement } from 'react';
import { Button } from '../../ui/button.tsx';
import { Field } from '../../ui/field.tsx';
import { typedNumber } from '../../ui/figures.ts';
import { restLeft, type DoneTrial } from './test-order.ts';

/** One score read off the dynamometer and typed in; Enter goes to the next. */
export function TypedTrial({
  hand,
  onForce,
}: {
  hand: Side;
  onForce: (force: number) => void;
}): ReactElement {
  const [text, setText] = useState('');
  const [error, setError] = useState<string>();
  const input = useRef<HTMLFormElement>(null);
  useEffect(() => input.current?.querySelector('input')?.focus(), []);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    const force = typedNumber(text);
    if (!(force > 0 && force <= MAX_SQUEEZE))
      setError(`A score from above 0 to ${MAX_SQUEEZE} kgf. Newtons are divided by 9.81, pounds by 2.205.`);
    else onForce(force);
  };
  return (
    <form ref={input} onSubmit={submit} noValidate className="flex flex-wrap items-start gap-3">
      <Field
        label={`Score, ${hand} hand`}
        unit="kgf"
        inputMode="decimal"
        value={text}
        error={error}
        onChange={(event) => {
          setText(event.target.value);
          setError(undefined);
        }}
        className="w-44 text-left"
      />
      <Button type="submit" look="action" className="mt-6 min-h-11 px-5">
        Next
      </Button>
    </form>
  );
}

/** What is left of a hand's rest; it holds nobody back. */
export function Rest({
  hand,
  done,
  rest,
}: {
  hand: Side;
  done: readonly DoneTrial[];
  rest: number;
}): ReactElement | null {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, []);
  const left = restLeft(
    hand,
    done.map((each) => ({ hand: each.sent.hand, at: each.at })),
    rest,
    now,
  );
  return (
    <p role="timer" className={left > 0 ? 'figures text-xl text-quiet' : 'figures text-xl text-verdigris'}>
      {left > 0 ? `rest ${left} s` : 'ready'}
    </p>
  );
}
