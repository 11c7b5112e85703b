import { addDays, differenceInCalendarDays, parseISO } from 'date-fns';

export interface LanesFrame {
  readonly width: number;
  /** Room for the names of the lanes. */
  readonly left: number;
  readonly laneHeight: number;
  /** Room for the weeks above, and the row of the blocks below it. */
  readonly top: number;
  readonly blockHeight: number;
}

export interface LanesGeometry {
  readonly height: number;
  readonly weekWidth: number;
  /** px of a day. */
  readonly x: (day: string) => number;
  /** px of the middle of a lane. */
  readonly y: (lane: number) => number;
  /** The week, by place, that a px lies in, kept inside the weeks shown. */
  readonly weekAt: (px: number) => number;
}

/** Places weeks across and lanes down, px. */
export function lanesGeometry(
  weeks: readonly string[],
  lanes: number,
  { width, left, laneHeight, top, blockHeight }: LanesFrame,
): LanesGeometry {
  const first = parseISO(weeks[0]!);
  const weekWidth = (width - left) / weeks.length;
  return {
    height: top + blockHeight + lanes * laneHeight + 8,
    weekWidth,
    x: (day) => left + (differenceInCalendarDays(parseISO(day), first) / 7) * weekWidth,
    y: (lane) => top + blockHeight + (lane + 0.5) * laneHeight,
    weekAt: (px) => Math.max(0, Math.min(weeks.length - 1, Math.floor((px - left) / weekWidth))),
  };
}

/** Whole weeks of a stretch of days. */
export function weeksOf(from: string, to: string): number {
  return Math.round(differenceInCalendarDays(addDays(parseISO(to), 1), parseISO(from)) / 7);
}
