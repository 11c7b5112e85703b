import { format, parseISO } from 'date-fns';
import { CalendarDays, ChevronLeft, ChevronRight } from 'lucide-react';
import { Popover } from 'radix-ui';
import { lazy, Suspense, useId, useState, type ReactElement, type ReactNode } from 'react';
import { describedBy, Labelled } from './labelled.tsx';
import { readDay, useDateHabit, writeDay } from './date-words.ts';

// The calendar is fetched when one first opens: most days are typed or left as they are.
const DayPicker = lazy(async () => ({ default: (await import('react-day-picker')).DayPicker }));

interface DateFieldProps {
  readonly label?: ReactNode;
  readonly 'aria-label'?: string;
  /** `YYYY-MM-DD`, empty for none; what is typed and is no day stands here as it was typed. */
  readonly value: string;
  readonly error?: string | undefined;
  readonly disabled?: boolean;
  readonly className?: string;
  /** What stands there while there is no day; else how one is written. */
  readonly none?: string;
  readonly onChange: (day: string) => void;
}

/** A day, typed as the club writes it or taken from a calendar. */
export function DateField({
  label,
  value,
  error,
  disabled,
  className,
  none,
  onChange,
  ...named
}: DateFieldProps): ReactElement {
  const id = useId();
  const habit = useDateHabit();
  const [typed, setTyped] = useState<{ readonly text: string; readonly of: string } | null>(null);
  // What is being typed stands until the value is set from elsewhere.
  const text = typed && typed.of === value ? typed.text : writeDay(value, habit);
  const wrong = value !== '' && !/^\d{4}-\d{2}-\d{2}$/.test(value);
  const message = error ?? (wrong ? `Write the day as ${writeDay('2026-11-24', habit)}.` : undefined);
  const type = (now: string): void => {
    const day = now.trim() === '' ? '' : (readDay(now, habit) ?? now);
    setTyped({ text: now, of: day });
    onChange(day);
  };
  const name = named['aria-label'] ?? 'Day';
  return (
    <Labelled id={id} label={label} error={message} className={className}>
      <div className="relative">
        <input
          id={id}
          aria-label={named['aria-label']}
          value={text}
          disabled={disabled}
          autoComplete="off"
          placeholder={none ?? writeDay('2026-11-24', habit)}
          {...describedBy(id, message)}
          onChange={(event) => type(event.target.value)}
          onBlur={() => !wrong && setTyped(null)}
          className="control w-full pr-10 placeholder:text-quiet/60"
        />
        <Calendar
          words={typeof label === 'string' ? `Calendar: ${label}` : `Calendar: ${name}`}
          chosen={wrong ? '' : value}
          disabled={disabled ?? false}
          className="absolute inset-y-0 right-0 grid w-10 place-items-center text-quiet hover:text-ink"
          onChange={(day) => {
            setTyped(null);
            onChange(day);
          }}
        />
      </div>
    </Labelled>
  );
}

interface CalendarProps {
  /** Names the button that opens it. */
  readonly words: string;
  /** `YYYY-MM-DD`, empty for none. */
  readonly chosen: string;
  readonly disabled?: boolean;
  readonly className: string;
  /** Of its sign, px. */
  readonly size?: number;
  readonly onChange: (day: string) => void;
}

/** A button that opens the days of a month, with the first day of the week as the club has it. */
function Calendar({
  words,
  chosen,
  disabled = false,
  className,
  size = 18,
  onChange,
}: CalendarProps): ReactElement {
  const { weekStartsOn } = useDateHabit();
  const [open, setOpen] = useState(false);
  const day = chosen === '' ? undefined : parseISO(chosen);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger disabled={disabled} aria-label={words} title={words} className={className}>
        <CalendarDays size={size} aria-hidden />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          aria-label="Calendar"
          className="z-50 rounded-sm border border-ink bg-raised p-3 text-ink shadow-lg"
        >
          <Suspense fallback={<p role="status">The calendar …</p>}>
            <DayPicker
              mode="single"
              autoFocus
              selected={day}
              {...(day && { defaultMonth: day })}
              weekStartsOn={weekStartsOn}
              showOutsideDays
              fixedWeeks
              onSelect={(picked) => {
                if (picked) onChange(format(picked, 'yyyy-MM-dd'));
                setOpen(false);
              }}
              components={{ Chevron }}
              classNames={CALENDAR}
            />
          </Suspense>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const Chevron = ({ orientation }: { orientation?: string }): ReactElement =>
  orientation === 'left' ? <ChevronLeft size={18} aria-hidden /> : <ChevronRight size={18} aria-hidden />;

/** A day that is changed in a list, where a button is room enough. */
export function DayButton({
  words,
  value,
  className,
  onChange,
}: {
  words: string;
  value: string;
  className: string;
  onChange: (day: string) => void;
}): ReactElement {
  return <Calendar words={words} chosen={value} className={className} size={15} onChange={onChange} />;
}

const CALENDAR = {
  months: 'relative',
  nav: 'absolute right-0 top-0 flex',
  button_previous: 'grid size-9 place-items-center hover:text-forge',
  button_next: 'grid size-9 place-items-center hover:text-forge',
  month_caption: 'figures flex h-9 items-center pl-2 text-lg font-semibold',
  weekday: 'label size-9 font-normal',
  day: 'figures p-0 text-center',
  day_button: 'grid size-9 place-items-center rounded-sm hover:outline-1 hover:outline-ink',
  today: 'font-semibold underline underline-offset-4',
  outside: 'text-quiet',
  selected: 'bg-forge text-on-forge rounded-sm',
};
