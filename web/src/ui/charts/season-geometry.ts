import type { SheetView } from '@iron-clasp/contract';
import { scaleTime } from 'd3-scale';
import { addDays, addWeeks, differenceInCalendarDays, format, parseISO } from 'date-fns';

export interface SeasonBand {
  readonly kind: 'holdBlock' | 'test' | 'meet';
  readonly label: string;
  readonly x: number;
  readonly width: number;
}

export interface SeasonGeometry {
  readonly weeks: readonly { readonly x: number; readonly label: string; readonly month: boolean }[];
  readonly bands: readonly SeasonBand[];
  readonly sessions: readonly {
    readonly id: string;
    readonly x: number;
    readonly done: boolean;
    readonly holds: number;
    readonly on: string;
    readonly title: string;
  }[];
  readonly today: number;
}

/** Places the weeks, blocks and sessions of a season on a strip of the given width, px. */
export function seasonGeometry(
  { season, today }: Pick<SheetView, 'season' | 'today'>,
  width: number,
): SeasonGeometry {
  const from = parseISO(season.from);
  const to = addDays(parseISO(season.to), 1);
  const x = scaleTime().domain([from, to]).range([0, width]);
  const at = (day: string): number => x(parseISO(day));
  const weekCount = Math.round(differenceInCalendarDays(to, from) / 7);
  return {
    weeks: Array.from({ length: weekCount }, (_, i) => {
      const monday = addWeeks(from, i);
      return { x: x(monday), label: format(monday, 'd MMM'), month: monday.getDate() <= 7 };
    }),
    bands: season.marks.map((mark) => {
      const end = x(addDays(parseISO(mark.to), 1));
      return {
        kind: mark.kind,
        label: mark.label,
        x: Math.max(0, at(mark.from)),
        width: Math.min(width, end) - Math.max(0, at(mark.from)),
      };
    }),
    sessions: season.sessions.map((session) => ({ ...session, x: at(session.on) + width / weekCount / 14 })),
    today: at(today),
  };
}
