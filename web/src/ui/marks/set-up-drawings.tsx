import type { ReactElement, ReactNode } from 'react';
import { HAND_LINES, HAND_SHAPES } from './hand-shape.ts';

/** One step of setting up, drawn with its words. */
export interface DrawnStep {
  readonly words: string;
  readonly drawing: ReactElement;
}

const INK = 'currentColor';
const SKIN = 'var(--raised)';
const BAR = 'color-mix(in srgb, var(--edge) 55%, var(--raised))';
/** The part that a step is about. */
const ACCENT = 'color-mix(in srgb, var(--forge) 45%, var(--raised))';
const STRAP = 'color-mix(in srgb, var(--verdigris) 60%, var(--raised))';
const CHALK = 'color-mix(in srgb, var(--ochre) 50%, var(--raised))';

/** A frame of 144 by 108; what is said of it stands beside it, so it is hidden from screen readers. */
function Frame({ children }: { children: ReactNode }): ReactElement {
  return (
    <svg
      viewBox="0 0 144 108"
      aria-hidden
      className="h-27 w-36 shrink-0 border border-rule bg-ground"
      fill="none"
      stroke={INK}
      strokeWidth={2}
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      {children}
    </svg>
  );
}

/** A part of a body or a strap with a round end: a broad line with an outline. */
function Tube({ d, width, fill = SKIN }: { d: string; width: number; fill?: string }): ReactElement {
  return (
    <>
      <path d={d} strokeWidth={width + 3} />
      <path d={d} strokeWidth={width - 1} stroke={fill} />
    </>
  );
}

/** An arrow along a path; its head is drawn at `tip`, turned by `turn` degrees from pointing right. */
function Arrow({
  d,
  tip: [x, y],
  turn,
}: {
  d: string;
  tip: readonly [number, number];
  turn: number;
}): ReactElement {
  return (
    <g stroke="var(--forge)" strokeWidth={2.5}>
      <path d={d} />
      <path d="M-6 -5 L0 0 L-6 5" transform={`translate(${x} ${y}) rotate(${turn})`} />
    </g>
  );
}

/** The bar along the picture. */
const BarAlong = ({ y = 64 }: { y?: number }): ReactElement => (
  <path
    d={`M-4 ${y - 8} H148 V${y + 8} H-4 Z`}
    fill={BAR}
    stroke={INK}
    strokeWidth={2}
    strokeLinejoin="miter"
  />
);

/** The bar seen from its end. */
const BarEnd = ({ x = 76, y = 58 }: { x?: number; y?: number }): ReactElement => (
  <>
    <circle cx={x} cy={y} r={15} fill={BAR} />
    <circle cx={x} cy={y} r={2} fill={INK} stroke="none" />
  </>
);

const FINGER = 10;
const across = [-18, -6, 6, 18];

/** A hand over the bar, seen from in front of the lifter: its back, knuckles above the bar, fingers down across it. */
function BackOfHand({
  x,
  fingers = 78,
  bar = 64,
}: {
  x: number;
  fingers?: number;
  bar?: number;
}): ReactElement {
  return (
    <g transform={`translate(${x} 0)`}>
      <path d={`M-13 -4 L-14 14 Q-25 24 -25 ${bar - 18} H25 Q25 24 14 14 L13 -4 Z`} fill={SKIN} />
      {across.map((each) => (
        <Tube key={each} d={`M${each} ${bar - 16} V${fingers}`} width={FINGER} />
      ))}
      <path
        d={across.map((each) => `M${each - 3} ${bar - 20} q3 -3 6 0`).join(' ')}
        strokeWidth={1.5}
        opacity={0.6}
      />
    </g>
  );
}

interface PalmOfHandProps {
  readonly x: number;
  /** Straight down past the bar, or up around it with the nails towards the reader. */
  readonly fingers: 'open' | 'closed';
  readonly thumb: 'down' | 'along' | 'under' | 'over';
  /** Is the thumb on the left of the picture? */
  readonly thumbLeft?: boolean;
}

/** A hand with its palm towards the reader: the lifter's own look at an overhand grip, or a turned hand seen from in front. */
function PalmOfHand({ x, fingers, thumb, thumbLeft = true }: PalmOfHandProps): ReactElement {
  const closed = across.map((each) => (
    <g key={each}>
      <Tube d={`M${each} 80 V58`} width={FINGER} />
      <path d={`M${each - 2.5} 62 V56.5 q2.5 -3.5 5 0 V62 Z`} strokeWidth={1.2} />
    </g>
  ));
  const thumbs = {
    down: 'M-26 28 Q-30 46 -24 76',
    along: 'M-26 28 Q-32 52 -22 62 L14 65',
    under: 'M-26 28 Q-32 52 -22 62 L8 65',
    over: 'M-26 28 Q-34 50 -22 60 L0 56',
  };
  return (
    <g transform={`translate(${x} 0) scale(${thumbLeft ? 1 : -1} 1)`}>
      {fingers === 'open' && across.map((each) => <Tube key={each} d={`M${each} 40 V98`} width={FINGER} />)}
      {/* The bar lies over open fingers, and under everything else of the hand. */}
      <path d="M-25 56 H25 V72 H-25 Z" fill={BAR} stroke="none" />
      <path d="M-25 56 H25 M-25 72 H25" />
      <path d="M-13 -4 L-14 12 Q-26 20 -25 40 Q-24 54 0 54 Q24 54 25 42 Q26 22 14 12 L13 -4 Z" fill={SKIN} />
      <path d="M-12 22 Q-2 34 -8 50 M6 44 Q16 42 22 34" strokeWidth={1.5} opacity={0.5} />
      {thumb !== 'over' && <Tube d={thumbs[thumb]} width={12} fill={ACCENT} />}
      {fingers === 'closed' && closed}
      {thumb === 'over' && <Tube d={thumbs.over} width={12} fill={ACCENT} />}
    </g>
  );
}

/** A closed hand seen along the bar: fingers around it from the left, the thumb against them. */
function Fist(): ReactElement {
  return (
    <>
      <BarEnd />
      <Tube d="M60 -6 V20 Q52 34 51 58 A25 25 0 0 0 97 72" width={13} />
      <Tube d="M62 10 Q86 20 100 42 Q106 54 102 64" width={11} />
    </>
  );
}

/** Somebody standing with the bar, from in front: both arms straight. */
const Lifter = (): ReactElement => (
  <>
    <circle cx={72} cy={2} r={11} fill={SKIN} />
    <path d="M50 18 Q72 10 94 18 L88 72 H56 Z" fill={SKIN} />
    <Tube d="M63 78 V112" width={13} />
    <Tube d="M81 78 V112" width={13} />
    <path d="M6 84 H138" strokeWidth={7} />
    <path d="M6 84 H138" strokeWidth={3} stroke={BAR} />
    <Tube d="M50 24 L46 54 L44 84" width={9} />
    <Tube d="M94 24 L98 54 L100 84" width={9} fill={ACCENT} />
    <path d="M12 62 V106 M132 62 V106" strokeWidth={6} />
  </>
);

export const OVERHAND_STEPS: readonly DrawnStep[] = [
  {
    words: 'Both hands over the bar, palms towards you, the bar at the base of the fingers.',
    drawing: (
      <Frame>
        <BarAlong />
        <BackOfHand x={40} fingers={94} />
        <BackOfHand x={104} fingers={94} />
      </Frame>
    ),
  },
  {
    words: 'Close the fingers and lay the thumb over them.',
    drawing: (
      <Frame>
        <BarAlong />
        <PalmOfHand x={30} fingers="closed" thumb="over" thumbLeft={false} />
        <PalmOfHand x={114} fingers="closed" thumb="over" />
      </Frame>
    ),
  },
  {
    words: 'Squeeze before the bar leaves the floor, and keep squeezing.',
    drawing: (
      <Frame>
        <Fist />
        <Arrow d="M22 58 H36" tip={[37, 58]} turn={0} />
        <Arrow d="M130 58 H118" tip={[117, 58]} turn={180} />
        <Arrow d="M76 106 V98" tip={[76, 97]} turn={-90} />
      </Frame>
    ),
  },
];

export const HOOK_STEPS: readonly DrawnStep[] = [
  {
    words: 'Thumb down the back of the bar, so that slack skin moves up towards the nail.',
    drawing: (
      <Frame>
        <BarAlong />
        <PalmOfHand x={76} fingers="open" thumb="down" />
        <Arrow d="M28 44 V78" tip={[28, 79]} turn={90} />
      </Frame>
    ),
  },
  {
    words:
      'Turn from the base of the thumb until it lies along the bar; wrist in line with the middle finger.',
    drawing: (
      <Frame>
        <BarAlong />
        <PalmOfHand x={76} fingers="open" thumb="along" />
        <Arrow d="M26 62 Q30 88 54 90" tip={[55, 90]} turn={0} />
      </Frame>
    ),
  },
  {
    words: 'Two or three fingers over the thumb, and no deeper than it holds.',
    drawing: (
      <Frame>
        <BarAlong />
        <PalmOfHand x={76} fingers="closed" thumb="under" />
      </Frame>
    ),
  },
  {
    words: 'Pull back into it before the bar leaves the floor: the thumb is wedged, not squeezed.',
    drawing: (
      <Frame>
        <BarEnd />
        <Tube d="M66 18 Q94 30 97 56 Q96 68 90 74" width={11} fill={ACCENT} />
        <Tube d="M60 -6 V20 Q50 34 49 58 A28 28 0 0 0 104 66 Q106 58 102 50" width={13} />
        <Arrow d="M26 86 V30" tip={[26, 29]} turn={-90} />
      </Frame>
    ),
  },
];

export const STRAP_STEPS: readonly DrawnStep[] = [
  {
    words: 'Snug at the wrist, the tail along the thumb side. The non-dominant hand goes first.',
    drawing: (
      <Frame>
        <g transform="translate(76 0)">
          <Tube d="M-26 44 Q-38 58 -36 74" width={11} />
          {across.map((each, i) => (
            <Tube key={each} d={`M${each} 56 V${[90, 98, 94, 82][i]!}`} width={FINGER} />
          ))}
          <path d="M-14 -4 L-14 20 Q-28 32 -26 60 H25 Q27 36 14 20 L14 -4 Z" fill={SKIN} />
          <Tube d="M-14 14 H14" width={8} fill={STRAP} />
          <Tube d="M-14 16 Q-50 36 -50 102" width={8} fill={STRAP} />
        </g>
      </Frame>
    ),
  },
  {
    words: 'Hand, bar, strap: it goes under the bar, not over it.',
    drawing: (
      <Frame>
        <Tube d="M60 -6 V24 Q54 36 50 52 Q46 66 50 80" width={13} />
        <Tube d="M68 16 Q88 22 100 30" width={11} />
        <BarEnd />
        <Tube d="M52 14 H68" width={6} fill={STRAP} />
        <Tube d="M62 16 Q58 82 78 82 Q98 80 104 62" width={6} fill={STRAP} />
        <Arrow d="M112 66 Q112 52 116 42" tip={[116, 41]} turn={-75} />
      </Frame>
    ),
  },
  {
    words: 'Wind it inwards, towards the other hand, turn by turn, without gaps.',
    drawing: (
      <Frame>
        <BarAlong />
        <BackOfHand x={38} />
        {[72, 82, 92].map((x) => (
          <Tube key={x} d={`M${x} 54 L${x + 5} 74`} width={6} fill={STRAP} />
        ))}
        <Arrow d="M72 92 H106" tip={[107, 92]} turn={0} />
      </Frame>
    ),
  },
  {
    words: 'Twist the bar tight, close the hand over the strap, and squeeze all the same.',
    drawing: (
      <Frame>
        <Tube d="M60 14 Q54 40 54 58 A22 22 0 0 0 98 58 A22 22 0 0 0 58 44" width={5} fill={STRAP} />
        <BarEnd />
        <Tube d="M56 -6 V18 Q44 34 43 58 A33 33 0 0 0 104 74" width={12} />
        <Tube d="M62 8 Q94 14 108 40 Q112 52 110 62" width={10} />
        <Tube d="M47 12 H66" width={6} fill={STRAP} />
        <Arrow d="M128 36 Q136 62 122 86" tip={[122, 86]} turn={120} />
      </Frame>
    ),
  },
];

export const MIXED_STEPS: readonly DrawnStep[] = [
  {
    words: 'The dominant hand over the bar; the other turned, palm away.',
    drawing: (
      <Frame>
        <BarAlong />
        <BackOfHand x={40} />
        <PalmOfHand x={104} fingers="closed" thumb="over" thumbLeft={false} />
      </Frame>
    ),
  },
  {
    words: 'Both arms long, the turned one above all: no bend at the elbow, no pull from the arm.',
    drawing: (
      <Frame>
        <Lifter />
        <circle cx={97} cy={52} r={12} stroke="var(--forge)" strokeWidth={2.5} />
      </Frame>
    ),
  },
  {
    words: 'The bar stays against the body on the turned side too; change sides as the ledger says.',
    drawing: (
      <Frame>
        <Tube d="M62 -6 Q66 40 58 62 Q54 84 60 114" width={26} />
        <Tube d="M74 -6 Q84 30 86 52" width={12} />
        <BarEnd x={86} y={68} />
        <Tube d="M86 54 Q98 60 98 70 Q94 82 82 82" width={9} />
        <Arrow d="M130 68 H112" tip={[111, 68]} turn={180} />
      </Frame>
    ),
  },
];

/** An open palm, the one of the hands check; `painted` zones take chalk, `under` lies over them. */
function Palm({ painted }: { painted: ReactNode }): ReactElement {
  return (
    <Frame>
      <g transform="translate(28 -6) scale(0.42)" strokeWidth={5}>
        {HAND_SHAPES.filter(({ zone }) => ['finger', 'thumb', 'palm', 'wrist'].includes(zone)).map(
          ({ d }) => (
            <path key={d} d={d} fill={SKIN} />
          ),
        )}
        {painted}
        {HAND_SHAPES.filter(({ zone }) => ['finger', 'thumb', 'palm'].includes(zone)).map(({ d }) => (
          <path key={d} d={d} />
        ))}
        <g strokeWidth={2.5} opacity={0.5}>
          {HAND_LINES.map((d) => (
            <path key={d} d={d} />
          ))}
        </g>
      </g>
    </Frame>
  );
}

const paint = { stroke: CHALK, strokeWidth: 18, fill: 'none' } as const;

export const CHALK_STEPS: readonly DrawnStep[] = [
  {
    words:
      'Keep the block whole and paint every contact area thinly: pads, fingers, and the web of the thumb.',
    drawing: (
      <Palm
        painted={
          <g {...paint}>
            <path d="M90 152 Q130 138 178 160" strokeWidth={24} />
            <path d="M90 128 L80 70 M122 122 L121 50 M155 126 L164 64 M184 140 L198 102" />
            <path d="M78 178 Q70 166 60 158" />
          </g>
        }
      />
    ),
  },
  {
    words: 'For hook add the outer side of the thumb; for holds the finger on which the thumb locks.',
    drawing: (
      <Palm
        painted={
          <g {...paint}>
            <path d="M24 150 Q38 190 66 222" strokeWidth={16} />
            <path d="M90 128 L80 66" />
          </g>
        }
      />
    ),
  },
  {
    words: 'Clap off the excess over the bucket: a crust rolls, and packs into the knurl.',
    drawing: (
      <Frame>
        <Tube d="M22 -4 L58 42" width={15} />
        <Tube d="M122 -4 L86 42" width={15} />
        <path d="M46 78 L54 110 H90 L98 78 Z" fill={BAR} />
        <path d="M46 78 H98" strokeWidth={4} />
        {[60, 68, 76, 84].map((x, i) => (
          <circle key={x} cx={x} cy={58 + (i % 2) * 9} r={2.2} fill={CHALK} strokeWidth={1} />
        ))}
      </Frame>
    ),
  },
];

const Thumb = (): ReactElement => (
  <path
    d="M44 112 Q40 84 48 64 Q44 44 50 26 Q58 8 76 10 Q94 14 96 36 Q97 52 92 66 Q100 86 98 112 Z"
    fill={SKIN}
  />
);
const Tape = ({ y }: { y: number }): ReactElement => (
  <path d={`M44 ${y} Q72 ${y + 9} 98 ${y} L97 ${y + 15} Q72 ${y + 24} 45 ${y + 15} Z`} fill={STRAP} />
);

export const TAPE_STEPS: readonly DrawnStep[] = [
  {
    words: 'Stretch tape: one turn below the knuckle of the thumb, flat and not tight.',
    drawing: (
      <Frame>
        <Thumb />
        <path d="M60 20 Q60 14 73 14 Q86 15 86 24 L84 40 Q72 46 62 40 Z" />
        <Tape y={76} />
      </Frame>
    ),
  },
  {
    words: 'One turn above it, over the lower edge of the nail: the knuckle stays free and bends.',
    drawing: (
      <Frame>
        <Thumb />
        <path d="M60 20 Q60 14 73 14 Q86 15 86 24 L84 40 Q72 46 62 40 Z" />
        <Tape y={76} />
        <g transform="translate(1 -2)">
          <Tape y={34} />
        </g>
        <Arrow d="M116 52 Q124 64 116 76" tip={[116, 76]} turn={120} />
      </Frame>
    ),
  },
];
