import { checkList, checkOneOf } from '../check.ts';
import { CHALK_KINDS, GRIPS, type ChalkKind, type Grip } from '../clasp-curve/types.ts';
import { SET_ROLES, type SetRole } from '../calls/set-role.ts';
import { liftOf } from '../set-demand/lifts.ts';
import { bool, listOf, oneOf, optional, range, record, whole, type Check } from '../shape.ts';

/** A set in which the grip failed, as it was logged. Everything past `grip` may be left out: what is not logged is no clue. */
export interface LoggedSlip {
  /** Lift, by its id in the catalogue. */
  readonly lift: string;
  readonly role: SetRole;
  readonly reps: number;
  /** The repetition during which the grip failed. */
  readonly slippedAtRep: number;
  readonly grip: Grip;
  readonly chalk?: ChalkKind;
  /** 1–5, as the lifter said before the set. */
  readonly confidence?: number;
  /** Fingers over the thumb, for hook. */
  readonly thumbFingers?: 1 | 2 | 3;
  readonly outerThumbChalked?: boolean;
  /** 0–10. */
  readonly thumbPain?: number;
  readonly elbowBent?: boolean;
  /** The bar drifted from the body on the side turned under. */
  readonly barDrifted?: boolean;
  /** The hands were dragged across the thighs at lockout. */
  readonly draggedOnThighs?: boolean;
  /** Heat, humidity, or sweating hands. */
  readonly sweat?: boolean;
  /** Chance of holding that the clasp curve gave beforehand, 0–1. */
  readonly expected?: number;
}

/** What a coach sees when a grip slips, told in a tap each. */
export const SLIP_SIGNS = [
  'elbowBent',
  'barDrifted',
  'thighs',
  'twoFingers',
  'outerThumbBare',
  'sweat',
  'doubt',
] as const;
export type SlipSign = (typeof SLIP_SIGNS)[number];

/** Confidence that stands for doubt that was seen. */
const SEEN_DOUBT = 1;

/**
 * What the signs say of a slip, as its causes look at it.
 * @throws InvalidInputError for a sign that is none.
 * @example cluesOf(['twoFingers', 'sweat']) // { thumbFingers: 2, sweat: true }
 */
export function cluesOf(signs: readonly SlipSign[]): Partial<LoggedSlip> {
  checkList('signs', signs, (sign, field) => checkOneOf(field, sign, SLIP_SIGNS));
  const seen = new Set(signs);
  return {
    ...(seen.has('elbowBent') && { elbowBent: true }),
    ...(seen.has('barDrifted') && { barDrifted: true }),
    ...(seen.has('thighs') && { draggedOnThighs: true }),
    ...(seen.has('twoFingers') && { thumbFingers: 2 }),
    ...(seen.has('outerThumbBare') && { outerThumbChalked: false }),
    ...(seen.has('sweat') && { sweat: true }),
    ...(seen.has('doubt') && { confidence: SEEN_DOUBT }),
  };
}

/** One thing in the log that speaks for a cause, and how loudly: 1 hints, 2 speaks, 3 shows it. */
export interface SlipClue {
  readonly text: string;
  readonly weight: 1 | 2 | 3;
  readonly when: (slip: LoggedSlip) => boolean;
}

/** Why a grip fails, what in the log shows it, and what is done about it. */
export interface SlipCause {
  readonly id: string;
  readonly cause: string;
  /** What to do, the first thing first. */
  readonly remedies: readonly string[];
  /** Slips that it cannot explain. */
  readonly only?: (slip: LoggedSlip) => boolean;
  readonly clues: readonly SlipClue[];
}

const hooked = ({ grip }: LoggedSlip): boolean => grip === 'hook';
const mixed = ({ grip }: LoggedSlip): boolean => grip === 'mixed';
const single = ({ reps }: LoggedSlip): boolean => reps === 1;
const sumo = ({ lift }: LoggedSlip): boolean => lift === 'deadlift.sumo';

/** Pain, 0–10, from which a hook gives way to it. */
const HOOK_PAIN = 5;
/** Confidence, 1–5, at or below which doubt is the likelier matter. */
const DOUBT = 2;
/** A slip the curve held for less likely than this was one of doubt or mishap, not of force. */
const UNEXPECTED = 0.9;

/** The usual causes. */
export const SLIP_CAUSES: readonly SlipCause[] = [
  {
    id: 'slip.bar-rolls-to-fingertips',
    cause: 'The bar rolls to the fingertips on heavy singles: the hand is not strong enough for the load.',
    remedies: ['Heavy front rack holds.', 'Or the next step of the grip ladder: mixed or hook.'],
    only: single,
    clues: [
      { text: 'it slipped on a single', weight: 1, when: single },
      { text: 'double overhand', weight: 2, when: ({ grip }) => grip === 'doubleOverhand' },
      {
        text: 'the clasp curve had not expected it to hold',
        weight: 2,
        when: ({ expected }) => expected !== undefined && expected < UNEXPECTED,
      },
    ],
  },
  {
    id: 'slip.later-reps',
    cause: 'The grip gives out on the later repetitions of a long set.',
    remedies: [
      'Set the grip afresh each repetition.',
      'Straps on the volume, where the school allows them.',
      'Submaximal timed holds.',
    ],
    only: ({ reps }) => reps >= 3,
    clues: [
      {
        text: 'it slipped in the second half of the set',
        weight: 3,
        when: ({ reps, slippedAtRep }) => slippedAtRep > reps / 2,
      },
      { text: 'the set was five repetitions or more', weight: 1, when: ({ reps }) => reps >= 5 },
    ],
  },
  {
    id: 'slip.hook-thumb-not-round',
    cause: 'The hook opens: the thumb is not far enough round the bar.',
    remedies: [
      'Turn the thumb from its base joint.',
      'Wrist in line with the middle finger.',
      'Search the depth in small steps.',
    ],
    only: hooked,
    clues: [
      { text: 'the hook slipped', weight: 1, when: hooked },
      { text: 'one finger over the thumb only', weight: 2, when: ({ thumbFingers }) => thumbFingers === 1 },
    ],
  },
  {
    id: 'slip.hook-two-fingers',
    cause: 'Only two fingers lie on the thumb.',
    remedies: ['Get some of the third finger over it.', 'Thumb deeper along the bar.'],
    only: hooked,
    clues: [
      { text: 'two fingers over the thumb', weight: 3, when: ({ thumbFingers }) => thumbFingers === 2 },
    ],
  },
  {
    id: 'slip.hook-outer-thumb-dry',
    cause: 'No chalk on the outer side of the thumb, where the fingers grip it.',
    remedies: ['Chalk the outer side of the thumb.'],
    only: hooked,
    clues: [
      {
        text: 'the outer thumb was not chalked',
        weight: 3,
        when: ({ outerThumbChalked }) => outerThumbChalked === false,
      },
    ],
  },
  {
    id: 'slip.hook-pain',
    cause: 'The hook is let go because it hurts.',
    remedies: [
      'Tape: end of the thumb, one turn above and one below the knuckle.',
      'Push slack skin up the thumb before loading; leave the nail a little long.',
      'Give it time: light hooks first.',
    ],
    only: hooked,
    clues: [
      { text: 'thumb pain of five or more', weight: 3, when: ({ thumbPain = 0 }) => thumbPain >= HOOK_PAIN },
    ],
  },
  {
    id: 'slip.sumo-thighs',
    cause: 'The hands are dragged across the thighs at a late sumo lockout.',
    remedies: ['Lock knees and shoulders together.', 'Hook or double overhand may clear big thighs.'],
    only: sumo,
    clues: [
      {
        text: 'the hands dragged on the thighs',
        weight: 3,
        when: ({ draggedOnThighs }) => draggedOnThighs === true,
      },
      { text: 'sumo with mixed grip', weight: 1, when: mixed },
    ],
  },
  {
    id: 'slip.mixed-bar-drifts',
    cause: 'The bar drifts from the body on the side turned under.',
    remedies: ['Keep the bar on the legs on that side.', 'Swap sides.', 'Or leave mixed grip.'],
    only: mixed,
    clues: [{ text: 'the bar drifted', weight: 3, when: ({ barDrifted }) => barDrifted === true }],
  },
  {
    id: 'slip.mixed-elbow-bent',
    cause: 'The elbow bends and the arm yanks under mixed grip.',
    remedies: ['Stop mixed grip until the arms stay long: it is the biceps that pays.'],
    only: mixed,
    clues: [{ text: 'the elbow was bent', weight: 3, when: ({ elbowBent }) => elbowBent === true }],
  },
  {
    id: 'slip.sweat-or-no-chalk',
    cause: 'Sweat, heat or no chalk: the skin slides before the fingers tire.',
    remedies: [
      'Liquid chalk where block is not allowed.',
      'Dry hands and bar at the contact points; brush the bar.',
    ],
    clues: [
      { text: 'heat or sweating hands', weight: 2, when: ({ sweat }) => sweat === true },
      { text: 'no chalk', weight: 2, when: ({ chalk }) => chalk === 'none' },
      { text: 'liquid chalk only', weight: 1, when: ({ chalk }) => chalk === 'liquid' },
    ],
  },
  {
    id: 'slip.doubt',
    cause: 'Doubt rather than force.',
    remedies: [
      'A short block of heavy holds before the singles.',
      'A lighter single held longer at the top.',
    ],
    clues: [
      {
        text: 'confidence of two or less beforehand',
        weight: 2,
        when: ({ confidence }) => confidence !== undefined && confidence <= DOUBT,
      },
      {
        text: 'the clasp curve had expected it to hold',
        weight: 1,
        when: ({ expected }) => expected !== undefined && expected >= UNEXPECTED,
      },
    ],
  },
];

/** A likely cause with what speaks for it. */
export interface LikelyCause {
  readonly id: string;
  readonly cause: string;
  readonly remedies: readonly string[];
  /** Weight of the clues over all slips that it could explain: only for ranking, no probability. */
  readonly weight: number;
  /** Slips with at least one clue for it. */
  readonly slips: number;
  /** What spoke for it, and in how many slips. */
  readonly clues: readonly { readonly text: string; readonly slips: number }[];
}

const slipsCheck: Check = listOf((field, value) => {
  record<LoggedSlip>({
    lift: (at, lift) => void liftOf(lift as string, at),
    role: oneOf(SET_ROLES),
    reps: whole(1, 100),
    slippedAtRep: whole(1, 100),
    grip: oneOf(GRIPS),
    chalk: optional(oneOf(CHALK_KINDS)),
    confidence: optional(range(1, 5)),
    thumbFingers: optional(whole(1, 3)),
    outerThumbChalked: optional(bool),
    thumbPain: optional(range(0, 10)),
    elbowBent: optional(bool),
    barDrifted: optional(bool),
    draggedOnThighs: optional(bool),
    sweat: optional(bool),
    expected: optional(range(0, 1)),
  })(field, value);
  const { reps, slippedAtRep } = value as LoggedSlip;
  whole(1, reps)(`${field}.slippedAtRep`, slippedAtRep);
}, 10_000);

/**
 * Ranks the likely causes of logged slips, the likeliest first, with what speaks for each and what to do. Only what was
 * logged counts; a cause without a clue is left out. The ranking orders where to look; it is no diagnosis.
 * @throws InvalidInputError naming the slip and field that cannot be used.
 * @example
 * rankSlipCauses([{ lift: 'deadlift.conventional', role: 'top', reps: 1, slippedAtRep: 1, grip: 'hook', thumbFingers: 2 }])[0].id
 * // 'slip.hook-two-fingers'
 */
export function rankSlipCauses(slips: readonly LoggedSlip[]): LikelyCause[] {
  slipsCheck('slips', slips);
  return SLIP_CAUSES.flatMap((cause) => {
    const explained = slips.filter((slip) => cause.only?.(slip) ?? true);
    const clues = cause.clues
      .map((clue) => ({ ...clue, slips: explained.filter(clue.when).length }))
      .filter((clue) => clue.slips > 0);
    if (!clues.length) return [];
    return [
      {
        id: cause.id,
        cause: cause.cause,
        remedies: cause.remedies,
        weight: clues.reduce((sum, clue) => sum + clue.weight * clue.slips, 0),
        slips: explained.filter((slip) => cause.clues.some((clue) => clue.when(slip))).length,
        clues: clues.map(({ text, slips: count }) => ({ text, slips: count })),
      },
    ];
  }).sort((a, b) => b.weight - a.weight || b.slips - a.slips || a.id.localeCompare(b.id));
}
