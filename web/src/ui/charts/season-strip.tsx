import { untilDay } from '@iron-clasp/core';
import type { SheetView } from '@iron-clasp/contract';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import type { ReactElement } from 'react';
import { shortDay } from '../figures.ts';
import { useWidth } from '../use-width.ts';
import { seasonGeometry } from './season-geometry.ts';

const HEIGHT = 84;
const LINE = 58;
/** Room that a date takes, px: the last of a narrow strip is not cut off. */
const DATE_WIDTH = 34;
/** Px from a session within which a click means it. */
const REACH = 14;

/** The weeks around today: sessions as ticks, hold blocks as bands, tests and the meet as marks, and today. */
export function SeasonStrip({
  sheet,
  open,
  onOpen,
}: {
  sheet: SheetView;
  /** The session that is open below. */
  open: string | null;
  /** Opens a session by pointer; by key the sheet has a list of them. */
  onOpen: (sessionId: string) => void;
}): ReactElement {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { weeks, bands, sessions, today } = seasonGeometry(sheet, Math.max(width, 300));
  const meet = sheet.season.marks.find((mark) => mark.kind === 'meet');
  const days = meet ? differenceInCalendarDays(parseISO(meet.from), parseISO(sheet.today)) : null;
  const blocks = sheet.season.marks.filter((mark) => mark.kind === 'holdBlock');
  const label = [
    `Season from ${shortDay(sheet.season.from)} to ${shortDay(sheet.season.to)}`,
    ...(meet ? [`${meet.label} on ${shortDay(meet.from)}, ${untilDay(days ?? 0)}`] : ['no meet planned']),
    ...blocks.map((block) => `${block.label} ${shortDay(block.from)} to ${shortDay(block.to)}`),
  ].join('; ');

  return (
    <div ref={ref} className="w-full overflow-hidden border-y border-rule">
      <svg
        role="img"
        aria-label={label}
        width={Math.max(width, 300)}
        height={HEIGHT}
        className="block cursor-pointer"
        onClick={(event) => {
          const x = event.clientX - event.currentTarget.getBoundingClientRect().left;
          const [near] = sessions
            .map(({ id, x: at }) => ({ id, away: Math.abs(at - x) }))
            .sort((a, b) => a.away - b.away);
          if (near && near.away <= REACH) onOpen(near.id);
        }}
      >
        {weeks.map((week) => (
          <g key={week.label}>
            <line x1={week.x} x2={week.x} y1={week.month ? 0 : LINE - 6} y2={LINE} stroke="var(--rule)" />
            {week.month && (
              <text
                x={Math.min(week.x + 4, Math.max(width, 300) - DATE_WIDTH)}
                y={HEIGHT - 8}
                className="figures"
                fontSize={13}
                fill="var(--quiet)"
              >
                {week.label}
              </text>
            )}
          </g>
        ))}
        <line x1={0} x2="100%" y1={LINE} y2={LINE} stroke="var(--edge)" />
        {bands.map((band) =>
          band.kind === 'holdBlock' ? (
            <g key={`${band.label} ${band.x}`}>
              <rect
                x={band.x}
                y={24}
                width={band.width}
                height={LINE - 24}
                fill="var(--verdigris)"
                opacity={0.18}
              />
              <line
                x1={band.x}
                x2={band.x + band.width}
                y1={24}
                y2={24}
                stroke="var(--verdigris)"
                strokeWidth={2}
              />
            </g>
          ) : (
            <g key={`${band.label} ${band.x}`}>
              <path
                d={
                  band.kind === 'meet'
                    ? `M ${band.x} ${LINE} V 6 h 18 l -4 6 l 4 6 h -18`
                    : `M ${band.x} ${LINE} l -5 -9 h 10 z`
                }
                fill={band.kind === 'meet' ? 'var(--ink)' : 'var(--ochre)'}
                stroke={band.kind === 'meet' ? 'var(--ink)' : 'none'}
              />
              {band.kind === 'meet' && (
                <text
                  x={band.x - 6}
                  y={17}
                  textAnchor="end"
                  className="figures"
                  fontSize={14}
                  fontWeight={600}
                  fill="var(--ink)"
                >
                  {band.label}
                </text>
              )}
            </g>
          ),
        )}
        {sessions.map((session) => (
          <g key={session.id}>
            {session.id === open && (
              <rect
                x={session.x - 4}
                y={LINE - 16}
                width={8}
                height={20}
                fill="var(--forge)"
                opacity={0.35}
              />
            )}
            <line
              x1={session.x}
              x2={session.x}
              y1={LINE - (session.done ? 12 : 8)}
              y2={LINE}
              stroke="var(--ink)"
              strokeWidth={session.done ? 2 : 1}
              opacity={session.done ? 0.75 : 0.45}
            />
            {session.holds > 0 && <circle cx={session.x} cy={LINE - 18} r={3} fill="var(--verdigris)" />}
          </g>
        ))}
        <line x1={today} x2={today} y1={2} y2={LINE + 6} stroke="var(--forge)" strokeWidth={2} />
        {bands
          .filter((band) => band.kind === 'holdBlock')
          .map((band) => (
            <text
              key={band.x}
              x={(Math.abs(band.x - today) < 12 ? today + 4 : band.x) + 4}
              y={18}
              className="figures"
              fontSize={13}
              fill="var(--verdigris)"
            >
              {fits(band.label, band.width) ? band.label : 'Holds'}
            </text>
          ))}
        <text
          x={today + 5}
          y={HEIGHT - 8}
          className="figures"
          fontSize={13}
          fontWeight={600}
          fill="var(--forge)"
          style={{ paintOrder: 'stroke', stroke: 'var(--ground)', strokeWidth: 6 }}
        >
          today
        </text>
      </svg>
    </div>
  );
}

/** About six px a letter in the condensed face. */
function fits(text: string, width: number): boolean {
  return text.length * 6 < width - 8;
}
