import { HOLD_KINDS, HOLD_KINDS_BY_ID } from '@iron-clasp/core';
import type { DoneHoldsView, HoldBlockView, HoldsView } from '@iron-clasp/contract';
import { format, parseISO } from 'date-fns';
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactElement } from 'react';
import { useUnit } from '../../data/session/use-unit.ts';
import { ChartFrame } from '../../ui/charts/chart-frame.tsx';
import { lanesGeometry, weeksOf } from '../../ui/charts/lanes-geometry.ts';
import { formatMass, shortDay } from '../../ui/figures.ts';
import { useWidth } from '../../ui/use-width.ts';

const FRAME = { left: 132, laneHeight: 40, top: 22, blockHeight: 34 };

interface LanesProps {
  readonly view: HoldsView;
  /** Says to which week a block is moved; left out where nothing may be moved. */
  readonly onMove?: (block: HoldBlockView, monday: string) => void;
}

/** Room that a date takes above its week, px. */
const DATE_WIDTH = 52;
/** The first week that begins a month: it is named, and the first of all only where there is room before it. */
const monthAt = (weeks: readonly string[]): string =>
  weeks.find((week) => parseISO(week).getDate() <= 7) ?? weeks.at(-1)!;

/** The lifter's hold work as lanes over the weeks: done ones filled, slipped ones crossed, planned ones open. */
export function Lanes({ view, onMove }: LanesProps): ReactElement {
  const unit = useUnit();
  const [ref, measured] = useWidth<HTMLDivElement>();
  const width = Math.max(measured, 640);
  const kinds = HOLD_KINDS.filter(
    (kind) => view.planned.some((each) => each.kind === kind) || view.done.some((each) => each.kind === kind),
  );
  const { weeks } = view;
  const made = lanesGeometry(weeks, Math.max(kinds.length, 1), { ...FRAME, width });
  const { x, y, height, weekWidth } = made;
  const to = weeks.at(-1)!;
  const shown = (on: string): boolean => on >= weeks[0]! && x(on) <= width;
  const label = `Hold work from ${shortDay(weeks[0]!)} to ${shortDay(to)}: ${view.done.length} sessions done, ${view.planned.length} planned, ${view.blocks.length} blocks.`;
  return (
    <ChartFrame
      name="holds"
      label={label}
      table={{
        head: ['day', 'hold', 'state', `load (${unit})`, 'seconds'],
        rows: [
          ...view.done.map((each) => [
            each.on,
            HOLD_KINDS_BY_ID[each.kind].name,
            slippedIn(each) ? 'slipped' : 'held',
            formatMass(each.holds[0]!.load, unit),
            each.holds.map((hold) => hold.seconds.toFixed(1)).join(' / '),
          ]),
          ...view.planned.map((each) => [
            each.on,
            HOLD_KINDS_BY_ID[each.kind].name,
            each.decision?.what ?? 'planned',
            null,
            null,
          ]),
        ],
      }}
    >
      <div ref={ref} className="min-w-[640px]">
        <svg
          role={onMove ? 'group' : 'img'}
          aria-label={label}
          width={width}
          height={height}
          className="block touch-pan-y"
        >
          {weeks.map((week, i) => (
            <g key={week}>
              <line x1={x(week)} x2={x(week)} y1={14} y2={height} stroke="var(--rule)" />
              {(parseISO(week).getDate() <= 7 || (i === 0 && x(monthAt(weeks)) - x(week) > DATE_WIDTH)) && (
                <text x={x(week) + 3} y={12} className="figures" fontSize={13} fill="var(--quiet)">
                  {format(parseISO(week), 'd MMM')}
                </text>
              )}
            </g>
          ))}
          {kinds.map((kind, lane) => (
            <g key={kind}>
              <line x1={0} x2={width} y1={y(lane) + 20} y2={y(lane) + 20} stroke="var(--rule)" />
              <text x={0} y={y(lane)} dy="0.35em" fontSize={14} fontWeight={600} fill="var(--ink)">
                {HOLD_KINDS_BY_ID[kind].name}
              </text>
            </g>
          ))}
          {view.blocks
            .filter((block) => block.to >= weeks[0]! && block.from <= to)
            .map((block) => (
              <Block
                key={block.id}
                block={block}
                made={made}
                weeks={weeks}
                movable={onMove !== undefined && block.to >= view.today}
                onMove={(monday) => onMove?.(block, monday)}
              />
            ))}
          {view.done
            .filter((each) => shown(each.on))
            .map((each) => (
              <Done
                key={`${each.sessionId} ${each.kind}`}
                done={each}
                x={x(each.on) + weekWidth / 14}
                y={y(kinds.indexOf(each.kind))}
              />
            ))}
          {view.planned
            .filter((each) => shown(each.on))
            .map((each) => (
              <circle
                key={each.sessionId}
                cx={x(each.on) + weekWidth / 14}
                cy={y(kinds.indexOf(each.kind))}
                r={6}
                fill={each.decision?.what === 'accepted' ? 'var(--rule)' : 'none'}
                stroke={each.decision?.what === 'skipped' ? 'var(--rule)' : 'var(--ink)'}
                strokeWidth={1.6}
                strokeDasharray={each.decision?.what === 'skipped' ? '2 2' : undefined}
              >
                <title>{`${shortDay(each.on)}, planned: ${HOLD_KINDS_BY_ID[each.kind].name}`}</title>
              </circle>
            ))}
          {view.meetOn && shown(view.meetOn) && (
            <path
              d={`M ${x(view.meetOn)} ${height} V 18 h 14 l -3 5 l 3 5 h -14`}
              fill="var(--ink)"
              stroke="var(--ink)"
            >
              <title>{`Meet, ${shortDay(view.meetOn)}`}</title>
            </path>
          )}
          <line
            x1={x(view.today)}
            x2={x(view.today)}
            y1={14}
            y2={height}
            stroke="var(--forge)"
            strokeWidth={2}
          />
        </svg>
      </div>
    </ChartFrame>
  );
}

const slippedIn = ({ holds }: DoneHoldsView): boolean => holds.some((hold) => hold.ended === 'slipped');

function Done({ done, x, y }: { done: DoneHoldsView; x: number; y: number }): ReactElement {
  const unit = useUnit();
  const slipped = slippedIn(done);
  const words = `${shortDay(done.on)}: ${formatMass(done.holds[0]!.load, unit)}, ${done.holds.map((hold) => `${hold.seconds.toFixed(1)} of ${hold.target} s`).join(', ')}${slipped ? ', slipped' : ''}`;
  return (
    <g>
      <title>{words}</title>
      {slipped ? (
        <path d={`M ${x - 5} ${y - 5} l 10 10 m 0 -10 l -10 10`} stroke="var(--oxblood)" strokeWidth={2.4} />
      ) : (
        <circle cx={x} cy={y} r={6} fill="var(--verdigris)" />
      )}
    </g>
  );
}

interface BlockProps {
  readonly block: HoldBlockView;
  readonly made: ReturnType<typeof lanesGeometry>;
  readonly weeks: readonly string[];
  readonly movable: boolean;
  readonly onMove: (monday: string) => void;
}

/** A hold block: dragged to another week, or moved with the arrow keys and set with Enter. */
function Block({ block, made, weeks, movable, onMove }: BlockProps): ReactElement {
  const { x, weekAt, weekWidth } = made;
  const home = Math.max(0, weeks.indexOf(block.from));
  const [at, setAt] = useState<number | null>(null);
  const grabbed = useRef<{ week: number } | null>(null);
  const length = weeksOf(block.from, block.to);
  const place = at ?? home;
  const px = (event: PointerEvent<SVGGElement>): number =>
    event.clientX - event.currentTarget.ownerSVGElement!.getBoundingClientRect().left;
  const settle = (): void => {
    grabbed.current = null;
    if (at !== null && at !== home) onMove(weeks[at]!);
    setAt(null);
  };
  const onKey = (event: KeyboardEvent): void => {
    const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (step) setAt(Math.max(0, Math.min(weeks.length - 1, place + step)));
    else if (event.key === 'Enter') settle();
    else if (event.key === 'Escape') setAt(null);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const left = at === null ? Math.max(x(block.from), FRAME.left) : x(weeks[at]!);
  const right = at === null ? x(block.to) + weekWidth / 7 : left + length * weekWidth;
  const words = `${block.label}, ${shortDay(block.from)} to ${shortDay(block.to)}`;
  return (
    <g
      {...(movable && {
        role: 'slider' as const,
        tabIndex: 0,
        'aria-label': `${words}. Arrow keys move it by a week, Enter sets it.`,
        'aria-valuemin': 0,
        'aria-valuemax': weeks.length - 1,
        'aria-valuenow': place,
        'aria-valuetext': `from ${shortDay(weeks[place]!)}`,
        onKeyDown: onKey,
        onBlur: () => setAt(null),
        onPointerDown: (event: PointerEvent<SVGGElement>) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          grabbed.current = { week: weekAt(px(event)) - home };
        },
        onPointerMove: (event: PointerEvent<SVGGElement>) => {
          if (!grabbed.current) return;
          const to = weekAt(px(event)) - grabbed.current.week;
          setAt(Math.max(0, Math.min(weeks.length - 1, to)));
        },
        onPointerUp: settle,
        onPointerCancel: () => {
          grabbed.current = null;
          setAt(null);
        },
        className: 'cursor-grab',
      })}
    >
      <title>{words}</title>
      <rect
        x={left}
        y={FRAME.top}
        width={Math.max(0, right - left)}
        height={FRAME.blockHeight - 8}
        fill="var(--verdigris)"
        opacity={at === null ? 0.22 : 0.45}
        stroke="var(--verdigris)"
        strokeWidth={1.5}
      />
      <text
        x={left + 6}
        y={FRAME.top + 17}
        className="figures"
        fontSize={14}
        fontWeight={600}
        fill="var(--ink)"
      >
        {block.label.length * 6.4 < right - left ? block.label : `${length} weeks`}
      </text>
    </g>
  );
}
