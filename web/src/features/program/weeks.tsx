import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import type { ProgramSession, ProgramView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import type { ReactElement } from 'react';
import { useWeekMarks } from '../../data/training/programs.ts';
import { shiftDay } from '../../ui/date-words.ts';
import { nearDay } from '../../ui/figures.ts';
import { Failed } from '../../ui/states.tsx';
import { DayCell, type DayCellProps } from './day-cell.tsx';
import type { Copied, OpenSession } from './open-session.ts';
import { useSlips } from './use-slips.ts';
import { WeekHead } from './week-head.tsx';

interface WeeksProps {
  readonly lifterId: string;
  readonly view: ProgramView;
  /** The weeks that are shown, by their Mondays. */
  readonly weeks: readonly string[];
  readonly chosen: string | null;
  readonly onOpen: (open: OpenSession) => void;
}

const daysOf = (monday: string): string[] => Array.from({ length: 7 }, (_, i) => shiftDay(monday, i));

const weekOf = (lifterId: string, monday: string): Copied => ({
  ...{ kind: 'week', from: { lifterId, week: monday }, on: monday },
  title: `Week of ${format(parseISO(monday), 'd MMMM')}`,
});

const HOW =
  'Space or Enter lifts a session; the arrows take it to another day, up and down by a week; Space puts it there, Escape puts it back.';

/** Weeks as grids of days: each session moved by hand or key, copied, changed or taken off; each week repeated, moved or cleared. */
export function Weeks({ lifterId, view, weeks, chosen, onOpen }: WeeksProps): ReactElement {
  const { sessions, onOf, moveTo, takeOff, fault } = useSlips(lifterId, view);
  const titleOf = (id: unknown): string => sessions.find((each) => each.id === id)?.title ?? 'The session';
  const dayWords = (over: DragEndEvent['over']): string =>
    over ? nearDay(String(over.id), view.today) : 'no day';
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${titleOf(active.id)} is lifted.`,
    onDragOver: ({ active, over }) => `${titleOf(active.id)} is over ${dayWords(over)}.`,
    onDragEnd: ({ active, over }) => `${titleOf(active.id)} is put on ${dayWords(over)}.`,
    onDragCancel: ({ active }) => `${titleOf(active.id)} is back where it was.`,
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    // At once: a session put down while the page still slides would land where it came from.
    useSensor(KeyboardSensor, { coordinateGetter: byDay, scrollBehavior: 'auto' }),
  );
  const drop = ({ active, over }: DragEndEvent): void => {
    const session = sessions.find((each) => each.id === active.id);
    if (session && over && over.id !== onOf(session)) moveTo(session, String(over.id));
  };
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={drop}
      accessibility={{ announcements, screenReaderInstructions: { draggable: HOW } }}
    >
      {fault && <Failed error={fault} />}
      {weeks.map((monday) => (
        <Week
          key={monday}
          lifterId={lifterId}
          monday={monday}
          today={view.today}
          sessionsOn={(day) => sessions.filter((each) => onOf(each) === day)}
          chosen={chosen}
          onOpen={onOpen}
          onMove={moveTo}
          onRemove={takeOff}
        />
      ))}
    </DndContext>
  );
}

interface WeekProps extends Pick<DayCellProps, 'today' | 'chosen' | 'onOpen' | 'onMove' | 'onRemove'> {
  readonly lifterId: string;
  readonly monday: string;
  readonly sessionsOn: (day: string) => readonly ProgramSession[];
}

/** One week: its head, and its days with their sessions and the grips these are called with. */
function Week({ lifterId, monday, sessionsOn, ...acts }: WeekProps): ReactElement {
  const { data: marks } = useWeekMarks(lifterId, monday);
  return (
    <section aria-labelledby={`week-${monday}`} className="mt-4">
      <WeekHead
        lifterId={lifterId}
        monday={monday}
        id={`week-${monday}`}
        empty={daysOf(monday).every((day) => sessionsOn(day).length === 0)}
        onCopy={() => acts.onOpen({ kind: 'copy', what: weekOf(lifterId, monday) })}
      />
      <ol className="grid lg:grid-cols-7 lg:divide-x lg:divide-rule">
        {daysOf(monday).map((day) => (
          <DayCell
            key={day}
            day={day}
            sessions={sessionsOn(day)}
            marksOf={(id) => marks?.sessions.find((each) => each.id === id)?.marks ?? []}
            {...acts}
          />
        ))}
      </ol>
    </section>
  );
}

/** Takes a lifted session to the next day, or by a week, as the arrows say. */
const byDay: KeyboardCoordinateGetter = (event, { currentCoordinates, context }) => {
  const step = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 }[event.code];
  if (step === undefined) return undefined;
  event.preventDefault();
  const from = String(context.over?.id ?? '');
  const to = from && shiftDay(from, step);
  const [here, there] = [context.droppableRects.get(from), context.droppableRects.get(to)];
  if (!here || !there) return currentCoordinates;
  return {
    x: currentCoordinates.x + there.left - here.left,
    y: currentCoordinates.y + there.top - here.top,
  };
};
