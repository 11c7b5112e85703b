import { useDraggable, useDroppable } from '@dnd-kit/core';
import { CSS } from '@dnd-kit/utilities';
import { findLift, HOLD_KINDS_BY_ID } from '@iron-clasp/core';
import type { ProgramLine, ProgramMark, ProgramSession } from '@iron-clasp/contract';
import clsx from 'clsx';
import { format, parseISO } from 'date-fns';
import { Copy, GripVertical, Plus, Trash2 } from 'lucide-react';
import type { ReactElement } from 'react';
import { DayButton } from '../../ui/date-field.tsx';
import { shortDay } from '../../ui/figures.ts';
import { GripMark } from '../../ui/marks/grip-mark.tsx';
import type { OpenSession } from './open-session.ts';

export interface DayCellProps {
  readonly day: string;
  readonly today: string;
  readonly sessions: readonly ProgramSession[];
  /** The grips a session is called with; none while they are not known. */
  readonly marksOf: (sessionId: string) => readonly ProgramMark[];
  readonly chosen: string | null;
  readonly onOpen: (open: OpenSession) => void;
  readonly onMove: (session: ProgramSession, on: string) => void;
  readonly onRemove: (session: ProgramSession) => void;
}

/** Lines of a session that a slip shows. */
const SHOWN = 4;

/** A day of the week's grid: its sessions as slips; another is dropped here, or written anew. */
export function DayCell({ day, today, sessions, chosen, marksOf, ...acts }: DayCellProps): ReactElement {
  const past = day < today;
  const { setNodeRef, isOver } = useDroppable({ id: day, disabled: past });
  const date = parseISO(day);
  return (
    <li
      ref={setNodeRef}
      aria-label={format(date, 'EEEE d MMMM')}
      className={clsx(
        'min-w-0 py-1 lg:min-h-28 lg:p-1.5',
        sessions.length === 0 && 'max-lg:hidden',
        isOver && 'bg-raised outline-2 outline-forge outline-dashed -outline-offset-2',
      )}
    >
      <p
        className={clsx(
          'figures flex items-center justify-between',
          day === today ? 'text-forge' : 'text-quiet',
        )}
      >
        {day === today ? `today ${format(date, 'd')}` : format(date, 'EEE d')}
        {!past && (
          <button
            type="button"
            aria-label={`New session on ${shortDay(day)}`}
            title={`New session on ${shortDay(day)}`}
            onClick={() => acts.onOpen({ kind: 'new', on: day })}
            className="p-1.5 text-quiet hover:text-forge"
          >
            <Plus size={16} aria-hidden />
          </button>
        )}
      </p>
      {sessions.map((session) => (
        <Slip
          key={session.id}
          session={session}
          chosen={session.id === chosen}
          marks={past ? null : marksOf(session.id)}
          {...acts}
        />
      ))}
    </li>
  );
}

interface SlipProps extends Pick<DayCellProps, 'onOpen' | 'onMove' | 'onRemove'> {
  readonly session: ProgramSession;
  readonly chosen: boolean;
  /** Null where none are called any more: the day is over. */
  readonly marks: readonly ProgramMark[] | null;
}

/** A session on its day: what is in it, and what can be done with it. */
function Slip({ session, chosen, marks, onOpen, onMove, onRemove }: SlipProps): ReactElement {
  const { id, title, on, begun, lines, holds } = session;
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, isDragging } = useDraggable({
    id,
    disabled: begun,
  });
  const tool = 'p-1.5 text-quiet hover:text-forge disabled:opacity-50';
  return (
    <article
      ref={setNodeRef}
      aria-label={`${title}, ${shortDay(on)}`}
      // By hand it is taken anywhere; by key at its handle, so that the keys of its buttons stay theirs.
      onPointerDown={listeners?.['onPointerDown'] as (() => void) | undefined}
      style={{ transform: CSS.Translate.toString(transform) }}
      className={clsx(
        'mb-1.5 border bg-raised px-2 py-1 text-sm leading-snug',
        chosen ? 'border-ink border-l-4 border-l-forge' : 'border-rule',
        !begun && 'lg:cursor-grab',
        isDragging && 'relative z-20 shadow-lg',
      )}
    >
      <button
        type="button"
        onClick={() => onOpen({ kind: 'change', sessionId: id })}
        aria-label={`Edit ${title}, ${on}`}
        className="text-left text-base leading-tight font-semibold hover:text-forge"
      >
        {title}
      </button>
      {begun && <span className="block text-quiet">begun</span>}
      <ul className="figures text-base leading-tight">
        {lines.slice(0, lines.length > SHOWN + 1 ? SHOWN : SHOWN + 1).map((line, i) => (
          <li key={i}>
            {line.liftId !== lines[i - 1]?.liftId && (
              <span className="text-quiet">{findLift(line.liftId)?.name ?? line.liftId} </span>
            )}
            {marks && findLift(line.liftId)?.grips ? (
              <Marked text={line.text} mark={marks.find(isOf(line))} />
            ) : (
              line.text
            )}
          </li>
        ))}
        {lines.length > SHOWN + 1 && <li className="text-quiet">and {lines.length - SHOWN} more</li>}
        {holds.map((kind) => (
          <li key={kind} className="text-verdigris">
            {HOLD_KINDS_BY_ID[kind].name}
          </li>
        ))}
      </ul>
      <div className="-mx-1 flex justify-between">
        {!begun && (
          <>
            <button
              ref={setActivatorNodeRef}
              type="button"
              {...attributes}
              onKeyDown={listeners?.['onKeyDown'] as (() => void) | undefined}
              aria-label={`Move ${title}, ${on}`}
              title="Move: by hand, or Space and the arrows"
              className={clsx(tool, 'max-lg:hidden')}
            >
              <GripVertical size={15} aria-hidden />
            </button>
            <DayButton
              words={`Day of ${title}, ${on}`}
              value={on}
              className={tool}
              onChange={(to) => onMove(session, to)}
            />
          </>
        )}
        <button
          type="button"
          aria-label={`Copy ${title}, ${on}`}
          title="Copy"
          onClick={() =>
            onOpen({ kind: 'copy', what: { kind: 'session', from: { sessionId: id }, title, on } })
          }
          className={tool}
        >
          <Copy size={15} aria-hidden />
        </button>
        {!begun && (
          <button
            type="button"
            aria-label={`Remove ${title}, ${on}`}
            title="Remove"
            onClick={() => onRemove(session)}
            className={tool}
          >
            <Trash2 size={15} aria-hidden />
          </button>
        )}
      </div>
    </article>
  );
}

const isOf =
  ({ liftId, role }: ProgramLine) =>
  (mark: ProgramMark): boolean =>
    mark.liftId === liftId && mark.role === role;

/** Height of a mark, px; it is twice as wide. */
const MARK = 15;

/**
 * A line with the grip of its heaviest set, which stands with the last word. Its room is kept while it is not known: the days
 * beneath would move away from the hand.
 */
function Marked({ text, mark }: { text: string; mark: ProgramMark | undefined }): ReactElement {
  const last = text.lastIndexOf(' ') + 1;
  return (
    <>
      {text.slice(0, last)}
      <span className="whitespace-nowrap">
        {text.slice(last)}
        <span className="ml-1.5 inline-block align-[-3px]" style={{ width: 2 * MARK, height: MARK }}>
          {mark && (
            <GripMark
              choice={mark.choice}
              {...(mark.sideUnder && { sideUnder: mark.sideUnder })}
              size={MARK}
            />
          )}
        </span>
      </span>
    </>
  );
}
