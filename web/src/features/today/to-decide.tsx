import type { DayDecision, DayView } from '@iron-clasp/contract';
import { HOLD_KINDS_BY_ID, type MassUnit } from '@iron-clasp/core';
import clsx from 'clsx';
import { useState, type ReactElement } from 'react';
import { Link, useNavigate } from 'react-router';
import { useDecideToday } from '../../data/club/day.ts';
import { useIsCoach, useMayLog } from '../../data/session/use-is-coach.ts';
import { useUnit } from '../../data/session/use-unit.ts';
import { Button } from '../../ui/button.tsx';
import { nearDay, shortDay } from '../../ui/figures.ts';
import { useToast } from '../../ui/toast.tsx';
import { useKeys } from '../../ui/use-keys.ts';
import { holdWords, setWords } from './day-words.ts';

/** What waits for the coach: each decided or opened in one click, by pointer or by key. */
export function ToDecide({ day }: { day: DayView }): ReactElement {
  const { moreToDecide, today } = day;
  const [coach, logs] = [useIsCoach(), useMayLog()];
  // Who runs the floor brushes bars and looks at hands; what only a coach settles is not theirs to see wait.
  const decide = coach ? day.decide : day.decide.filter(({ act }) => act === null || act.kind === 'brush');
  const mayAct = ({ act }: DayDecision): boolean => act !== null && (coach || (logs && act.kind === 'brush'));
  const title = coach ? 'To decide' : 'To mind';
  const navigate = useNavigate();
  const send = useDecideToday();
  const say = useToast();
  const [at, setAt] = useState(0);
  const [busy, setBusy] = useState<ReadonlySet<string>>(new Set());
  const current = Math.min(at, decide.length - 1);
  const failed = (error: unknown): void =>
    say(error instanceof Error ? error.message : 'It was not kept. Try again.');
  const act = async (decision: DayDecision): Promise<void> => {
    if (busy.has(decision.id)) return;
    setBusy((before) => new Set(before).add(decision.id));
    try {
      const { undo } = await send(decision);
      say(`${decision.who}: ${ACTS[decision.act!.kind].done}.`, () => void undo().catch(failed));
    } catch (error) {
      failed(error);
    } finally {
      setBusy((before) => new Set([...before].filter((id) => id !== decision.id)));
    }
  };
  useKeys({
    ArrowDown: (event) => move(event, 1),
    ArrowUp: (event) => move(event, -1),
    a: () => {
      const decision = decide[current];
      if (decision && mayAct(decision)) void act(decision);
    },
    o: () => {
      const decision = decide[current];
      if (decision) void navigate(decision.open);
    },
  });
  const move = (event: KeyboardEvent, by: number): void => {
    if (decide.length === 0) return;
    event.preventDefault();
    const next = Math.max(0, Math.min(decide.length - 1, current + by));
    setAt(next);
    document.getElementById(`decide-${next}`)?.scrollIntoView({ block: 'nearest' });
  };
  return (
    <section aria-label={title}>
      <div className="flex items-baseline justify-between border-b-2 border-ink pb-1">
        <h2 className="text-xl">{title}</h2>
        {decide.length > 0 && (
          <p className="text-sm text-quiet">
            <kbd>↑ ↓</kbd> move, <kbd>a</kbd> accept, <kbd>o</kbd> open
          </p>
        )}
      </div>
      {decide.length === 0 && <p className="py-3 text-quiet">Nothing waits for you.</p>}
      <ol>
        {decide.map((decision, i) => (
          <li
            key={decision.id}
            id={`decide-${i}`}
            onPointerEnter={() => setAt(i)}
            className={clsx(
              'flex flex-wrap items-start justify-between gap-x-3 gap-y-1 border-b border-l-4 border-b-rule py-1.5 pl-2',
              i === current ? 'border-l-forge bg-raised' : 'border-l-transparent',
            )}
          >
            <p
              className="min-w-0 grow basis-40 leading-snug"
              title={decision.about.kind === 'hold' ? decision.about.why : undefined}
            >
              <b className="block">{decision.who}</b>
              <span className={clsx('text-sm', TONES[decision.level])}>
                <Words about={decision.about} today={today} />
              </span>
            </p>
            <span className="flex shrink-0 items-center gap-2 pr-1">
              {decision.act && mayAct(decision) && (
                <Button
                  className="min-h-9"
                  disabled={busy.has(decision.id)}
                  onClick={() => void act(decision)}
                >
                  {ACTS[decision.act.kind].name}
                  <span className="sr-only">, {decision.who}</span>
                </Button>
              )}
              <Link to={decision.open} className="py-1.5 underline decoration-rule underline-offset-4">
                Open<span className="sr-only"> {decision.who}</span>
              </Link>
            </span>
          </li>
        ))}
      </ol>
      {moreToDecide > 0 && (
        <Link to="/club" className="inline-block py-2 underline underline-offset-4">
          {moreToDecide} more on the Club page
        </Link>
      )}
    </section>
  );
}

const ACTS = {
  acceptHold: { name: 'Accept', done: 'hold accepted' },
  brush: { name: 'Brushed', done: 'kept as brushed' },
  moveHook: { name: 'Move', done: 'the hook is moved' },
  placeBlock: { name: 'Place', done: 'the block is placed' },
} as const;

const TONES = {
  stop: 'font-semibold text-oxblood',
  caution: 'text-ochre',
  note: 'text-quiet',
} as const;

function Words({ about, today }: { about: DayDecision['about']; today: string }): ReactElement {
  const unit = useUnit();
  return <>{said(about, today, unit)}</>;
}

function said(about: DayDecision['about'], today: string, unit: MassUnit): string {
  switch (about.kind) {
    case 'found':
      return about.text;
    case 'bar':
      return `${about.bar}: ${about.chalkedSets} chalked sets since it was brushed`;
    case 'block': {
      const holds = about.holds.map((kind) => HOLD_KINDS_BY_ID[kind].name.toLowerCase()).join(' and ');
      return `Hold block, ${shortDay(about.from)} to ${shortDay(about.to)}: ${holds}. ${about.why}`;
    }
    case 'hold':
      return `${nearDay(about.on, today)}: ${holdWords(about.hold, unit)}`;
    case 'set': {
      const { verdict } = about.set;
      const set = `${nearDay(about.on, today)}: ${setWords(about.set, unit)}`;
      if (verdict === 'unproven') return `${set}: no logged hold near this load says yet.`;
      return verdict === 'stop'
        ? `${set} must not be done as written.`
        : `${set}: no permitted grip is likely to hold it.`;
    }
  }
}
