import type { ReactElement, ReactNode } from 'react';

/** One step of setting up, drawn with its words. */
export interface DrawnStep {
  readonly words: string;
  readonly drawing: ReactElement;
}

const BAR = 'var(--edge)';
const HAND = 'currentColor';
const THUMB = 'var(--forge)';
const STRAP = 'var(--verdigris)';

/** A frame of 120 by 96; what is said of it stands beside it, so it is hidden from screen readers. */
function Frame({ children }: { children: ReactNode }): ReactElement {
  return (
    <svg
      viewBox="0 0 120 96"
      aria-hidden
      className="h-24 w-30 shrink-0 border border-rule bg-raised"
      fill="none"
      stroke="currentColor"
      strokeWidth={3}
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      {children}
    </svg>
  );
}

/** The bar seen from its end. */
const BarEnd = (): ReactElement => (
  <circle cx={60} cy={50} r={15} fill={BAR} stroke={HAND} strokeWidth={1.5} />
);

/** Back of the hand and fingers closing over the bar from the left; `closed` is how far round they reach. */
function Fingers({ closed }: { closed: number }): ReactElement {
  const end = ((-150 + closed) * Math.PI) / 180;
  const [x, y] = [60 + 24 * Math.cos(end), 50 + 24 * Math.sin(end)];
  return (
    <path
      d={`M 12 28 L 39 38 A 24 24 0 ${closed > 180 ? 1 : 0} 1 ${x.toFixed(1)} ${y.toFixed(1)}`}
      strokeWidth={5}
    />
  );
}

const Wrist = (): ReactElement => <path d="M 4 12 L 12 28 M 22 4 L 30 30" strokeWidth={2.5} opacity={0.5} />;

/** The bar along the picture, as the lifter looks down on it. */
const BarAlong = ({ y = 50 }: { y?: number }): ReactElement => (
  <rect x={2} y={y - 7} width={116} height={14} fill={BAR} stroke={HAND} strokeWidth={1.5} />
);

export const HOOK_STEPS: readonly DrawnStep[] = [
  {
    words: 'Thumb down the back of the bar, so that slack skin moves up towards the nail.',
    drawing: (
      <Frame>
        <BarAlong />
        <path d="M 30 12 Q 34 34 44 42 L 58 62" stroke={THUMB} strokeWidth={8} />
        <path d="M 58 8 Q 62 26 70 34" strokeWidth={5} opacity={0.5} />
        <path d="M 74 66 L 74 78 M 70 74 L 74 79 L 78 74" strokeWidth={2} />
      </Frame>
    ),
  },
  {
    words:
      'Turn from the base of the thumb until it lies along the bar; wrist in line with the middle finger.',
    drawing: (
      <Frame>
        <BarAlong />
        <path d="M 22 14 Q 26 36 34 44" stroke={THUMB} strokeWidth={8} />
        <path d="M 34 46 L 76 51" stroke={THUMB} strokeWidth={8} />
        <path d="M 40 70 A 26 20 0 0 0 74 68 M 70 64 L 75 68 L 70 73" strokeWidth={2} />
      </Frame>
    ),
  },
  {
    words: 'Two or three fingers over the thumb, and no deeper than it holds.',
    drawing: (
      <Frame>
        <Wrist />
        <BarEnd />
        <path d="M 40 62 Q 56 78 74 68" stroke={THUMB} strokeWidth={8} />
        <Fingers closed={235} />
      </Frame>
    ),
  },
  {
    words: 'Pull back into it before the bar leaves the floor: the thumb is wedged, not squeezed.',
    drawing: (
      <Frame>
        <BarEnd />
        <path d="M 42 64 Q 56 76 72 66" stroke={THUMB} strokeWidth={8} />
        <Fingers closed={250} />
        <path d="M 30 76 L 12 60 M 12 60 L 14 69 M 12 60 L 21 61" strokeWidth={2.5} />
      </Frame>
    ),
  },
];

export const STRAP_STEPS: readonly DrawnStep[] = [
  {
    words: 'Snug at the wrist, the tail along the thumb side. The non-dominant hand goes first.',
    drawing: (
      <Frame>
        <path d="M 34 6 L 34 34 Q 34 50 44 60 L 44 84 M 66 6 L 66 40 L 70 84 M 54 60 L 54 88 M 62 62 L 62 90" />
        <path d="M 34 40 Q 22 48 22 62" stroke={HAND} />
        <path d="M 30 24 L 70 24 M 30 30 L 70 30" stroke={STRAP} strokeWidth={5} />
        <path d="M 31 28 Q 12 44 14 84" stroke={STRAP} strokeWidth={5} />
      </Frame>
    ),
  },
  {
    words: 'Hand, bar, strap: it goes under the bar, not over it.',
    drawing: (
      <Frame>
        <Wrist />
        <BarEnd />
        <path d="M 26 30 L 42 66 Q 58 78 76 66" stroke={STRAP} strokeWidth={5} />
        <path d="M 70 64 L 77 65 L 75 73" stroke={STRAP} strokeWidth={2.5} />
      </Frame>
    ),
  },
  {
    words: 'Wind it inwards, towards the other hand, turn by turn, without gaps.',
    drawing: (
      <Frame>
        <BarAlong />
        {[34, 46, 58].map((x) => (
          <path key={x} d={`M ${x} 40 L ${x + 8} 60`} stroke={STRAP} strokeWidth={6} />
        ))}
        <path d="M 24 8 L 32 40" stroke={STRAP} strokeWidth={5} />
        <path d="M 74 76 L 98 76 M 93 71 L 98 76 L 93 81" strokeWidth={2} />
      </Frame>
    ),
  },
  {
    words: 'Twist the bar tight, close the hand over the strap, and squeeze all the same.',
    drawing: (
      <Frame>
        <Wrist />
        <BarEnd />
        <path d="M 30 32 L 41 60 A 21 21 0 1 0 60 29 A 21 21 0 0 0 42 40" stroke={STRAP} strokeWidth={4} />
        <Fingers closed={240} />
        <path d="M 92 38 A 36 36 0 0 1 88 70 M 93 63 L 87 71 L 83 63" strokeWidth={2} />
      </Frame>
    ),
  },
];

export const MIXED_STEPS: readonly DrawnStep[] = [
  {
    words: 'The dominant hand over the bar; the other turned, palm away.',
    drawing: (
      <Frame>
        <BarAlong y={56} />
        <path d="M 22 8 L 26 42 M 44 8 L 42 42 M 24 44 Q 24 66 28 66 M 30 44 L 32 67 M 36 44 L 37 67 M 42 44 L 42 66" />
        <path d="M 78 8 L 78 44 M 98 8 L 98 44 M 78 70 Q 78 50 80 46 M 85 71 L 85 47 M 91 71 L 91 47 M 97 70 Q 98 52 97 46" />
        <path d="M 76 56 L 68 60" stroke={THUMB} strokeWidth={5} />
        <path d="M 44 58 L 52 62" stroke={THUMB} strokeWidth={5} />
      </Frame>
    ),
  },
  {
    words: 'Both arms long, the turned one above all: no bend at the elbow, no pull from the arm.',
    drawing: (
      <Frame>
        <BarAlong y={82} />
        <path d="M 44 6 L 38 42 L 36 76" strokeWidth={6} />
        <path d="M 76 6 L 82 42 L 84 76" strokeWidth={6} />
        <circle cx={82} cy={42} r={9} stroke={STRAP} strokeWidth={2.5} />
      </Frame>
    ),
  },
  {
    words: 'The bar stays against the body on the turned side too; change sides as the ledger says.',
    drawing: (
      <Frame>
        <path d="M 20 90 L 30 60 L 26 30" strokeWidth={7} opacity={0.45} />
        <path d="M 26 30 L 38 58" strokeWidth={5} />
        <circle cx={42} cy={62} r={9} fill={BAR} stroke={HAND} strokeWidth={1.5} />
        <path d="M 72 62 L 56 62 M 61 57 L 56 62 L 61 67" strokeWidth={2} />
        <path
          d="M 82 30 L 106 30 M 101 25 L 106 30 L 101 35 M 106 42 L 82 42 M 87 37 L 82 42 L 87 47"
          strokeWidth={2}
        />
      </Frame>
    ),
  },
];

/** An open hand, palm up; `painted` are the parts that take chalk. */
function Palm({ painted }: { painted: ReactNode }): ReactElement {
  return (
    <Frame>
      {painted}
      <path
        d="M 44 92 L 44 60 Q 30 52 24 40 Q 24 34 30 34 Q 38 42 46 46 L 46 14 Q 49 8 53 14 L 54 40 L 56 8 Q 60 3 63 8 L 64 40 L 67 12 Q 71 7 74 13 L 73 44 L 77 24 Q 81 20 84 26 L 80 58 Q 80 74 76 92"
        strokeWidth={2}
      />
    </Frame>
  );
}

const paint = { fill: 'var(--ochre)', stroke: 'none', opacity: 0.45 } as const;

export const CHALK_STEPS: readonly DrawnStep[] = [
  {
    words:
      'Keep the block whole and paint every contact area thinly: pads, fingers, and the web of the thumb.',
    drawing: (
      <Palm
        painted={
          <g {...paint}>
            <rect x={45} y={34} width={37} height={12} />
            <rect x={46} y={16} width={37} height={14} />
            <circle cx={44} cy={53} r={7} />
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
            <path d="M 22 42 Q 28 54 42 62 L 38 54 Q 30 48 27 38 Z" />
            <rect x={46} y={12} width={9} height={30} />
          </g>
        }
      />
    ),
  },
  {
    words: 'Clap off the excess over the bucket: a crust rolls, and packs into the knurl.',
    drawing: (
      <Frame>
        <path d="M 30 14 L 52 40 M 90 14 L 68 40" strokeWidth={8} />
        <path d="M 38 66 L 44 92 L 76 92 L 82 66 Z" strokeWidth={2.5} />
        {[50, 58, 66, 72].map((x, i) => (
          <circle key={x} cx={x} cy={52 + (i % 2) * 8} r={1.8} fill={HAND} stroke="none" />
        ))}
      </Frame>
    ),
  },
];
