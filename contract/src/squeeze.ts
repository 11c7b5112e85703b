import {
  HAND_ORDERS,
  MAX_SQUEEZE,
  POSTURES,
  SIDES,
  type ContractionProtocol,
  type ContractionReading,
  type Estimate,
  type HandOrder,
  type HandScores,
  type KitDynamometer,
  type Posture,
  type Side,
  type SqueezeProtocol,
  type SqueezeReading,
  type TraceReading,
} from '@iron-clasp/core';
import { ArrayMaxSize, IsArray } from 'class-validator';
import {
  Amount,
  Flag,
  Id,
  Moment,
  Nullable,
  OneOf,
  Optional,
  Part,
  Parts,
  SeenVersion,
  Text,
  Whole,
} from './fields.ts';

const NAME = 'Name the protocol in 1 to 80 characters.';
const HOW = 'Say how the test is done.';
const CONTRACTIONS = 'Ask for 2 to 200 contractions of 1 to 60 s with up to 600 s between.';
const HAND = 'Say which hand squeezed: left or right.';
const TRACE = 'A trace is a list of times and a list of forces.';
/** Samples of one trace: ten minutes at 200 Hz. */
const MOST_SAMPLES = 120_000;

/** How a squeeze test is done. */
export class SqueezeProtocolBody implements SqueezeProtocol {
  @Amount({ min: 0, max: 100 }, 'The handle setting must be a number from 0 to 100.')
  handle: number;

  @Amount({ min: 0, max: 180 }, 'The elbow angle must be a number from 0 to 180 degrees.')
  elbow: number;

  @OneOf(POSTURES, 'Posture must be seated or standing.')
  posture: Posture;

  @OneOf(HAND_ORDERS, 'Say in which order the hands squeeze.')
  handOrder: HandOrder;

  @Whole({ min: 1, max: 20 }, 'Trials a hand must be a whole number from 1 to 20.')
  trials: number;

  @Amount({ min: 0, max: 3600 }, 'Rest must be a number of seconds from 0 to 3600.')
  rest: number;
}

/** How often, how long and how far apart a repeated-contraction test squeezes. */
export class ContractionProtocolBody implements ContractionProtocol {
  @Whole({ min: 2, max: 200 }, CONTRACTIONS)
  count: number;

  @Amount({ min: 1, max: 60 }, CONTRACTIONS)
  on: number;

  @Amount({ min: 0.1, max: 600 }, CONTRACTIONS)
  off: number;
}

/** A squeeze protocol of the club. */
export class SqueezeProtocolRequest {
  @Text(80, NAME)
  name: string;

  @Part(() => SqueezeProtocolBody, HOW)
  protocol: SqueezeProtocolBody;

  /** For a repeated-contraction test; null where it is none. */
  @Nullable()
  @Part(() => ContractionProtocolBody, CONTRACTIONS)
  contractions?: ContractionProtocolBody | null;

  @Optional()
  @Flag('Say whether the protocol is archived.')
  archived?: boolean;

  @SeenVersion()
  version: number;
}

export const SQUEEZE_SOURCES = ['hand', 'file', 'device'] as const;
/** How the figures came: typed in, from a trace file, or live from a dynamometer. */
export type SqueezeSource = (typeof SQUEEZE_SOURCES)[number];

/** Samples of one squeeze: times s, forces kgf; null where the device dropped one. What they are worth is told by reading them. */
export class SentTrace {
  @IsArray({ message: TRACE })
  @ArrayMaxSize(MOST_SAMPLES, { message: TRACE })
  times: number[];

  @IsArray({ message: TRACE })
  @ArrayMaxSize(MOST_SAMPLES, { message: TRACE })
  forces: (number | null)[];
}

/** One squeeze: its peak as read off, or its trace, from which the server reads the peak. */
export class SentTrial {
  @OneOf(SIDES, HAND)
  hand: Side;

  /** kgf. */
  @Optional()
  @Amount(
    { min: 0, max: MAX_SQUEEZE },
    `A force is at least 0 and at most ${MAX_SQUEEZE} kgf (newtons divided by 9.81).`,
  )
  force?: number;

  @Optional()
  @Part(() => SentTrace, TRACE)
  trace?: SentTrace;
}

/** A repeated-contraction test of one hand. */
export class SentContractions {
  @OneOf(SIDES, HAND)
  hand: Side;

  @Part(() => ContractionProtocolBody, CONTRACTIONS)
  protocol: ContractionProtocolBody;

  @Part(() => SentTrace, TRACE)
  trace: SentTrace;
}

/** One squeeze test under a client-made id. */
export class SqueezeTestRequest {
  @Optional()
  @Id('Choose a protocol.')
  protocolId?: string;

  @Part(() => SqueezeProtocolBody, HOW)
  protocol: SqueezeProtocolBody;

  @Parts(() => SentTrial, { max: 40, message: 'Trials are a list.' })
  trials: SentTrial[];

  /** In place of trials. */
  @Optional()
  @Part(() => SentContractions, 'Say which hand, how, and the trace.')
  contractions?: SentContractions;

  @OneOf(SQUEEZE_SOURCES, 'Say where the figures came from: typed in, a file, or a device.')
  source: SqueezeSource;

  @Moment('The time of the test is not a date and time.')
  testedAt: string;

  /** The session it opened. */
  @Optional()
  @Id('Name the session.')
  sessionId?: string;

  @Optional()
  @Text(500, 'Keep the note to 500 characters.', 0)
  note?: string;
}

/** Whether today's easier holds, which a squeeze test proposes, are declined. */
export class EasingRequest {
  @Flag('Say whether the easier holds are declined.')
  declined: boolean;
}

export interface SqueezeProtocolView {
  /** Null for the working protocol, which every club has. */
  readonly id: string | null;
  readonly version: number;
  readonly name: string;
  readonly protocol: SqueezeProtocol;
  readonly contractions: ContractionProtocol | null;
}

export interface SqueezeTrialView {
  readonly hand: Side;
  /** kgf. */
  readonly force: number;
  /** What its trace showed; null where the figure was read off. */
  readonly reading: TraceReading | null;
}

export interface SqueezeTestView {
  readonly id: string;
  readonly on: string;
  readonly at: string;
  readonly protocolName: string;
  readonly protocol: SqueezeProtocol;
  readonly source: SqueezeSource;
  readonly trials: readonly SqueezeTrialView[];
  readonly scores: Partial<Record<Side, HandScores>>;
  /** Done the same way as the latest, so that the two are compared. */
  readonly compared: boolean;
  readonly contractions: {
    readonly hand: Side;
    readonly protocol: ContractionProtocol;
    readonly reading: ContractionReading;
  } | null;
  readonly easingDeclined: boolean;
  readonly note: string | null;
  readonly by: string | null;
}

export interface SqueezeView {
  readonly today: string;
  readonly protocols: readonly SqueezeProtocolView[];
  readonly dynamometers: readonly { readonly venue: string; readonly dynamometer: KitDynamometer }[];
  /** The latest first. */
  readonly tests: readonly SqueezeTestView[];
  /** The latest test with peaks against the lifter's own earlier ones. */
  readonly reading: SqueezeReading | null;
  readonly readingOf: string | null;
  /** ICC(2,1) of the trials of comparable tests, by hand; null where it cannot be said. */
  readonly reliability: Readonly<Record<Side, Estimate | null>>;
  /** Day from which another test is due. */
  readonly dueOn: string | null;
  /** The next session's hold, and whether the test makes it easier. */
  readonly changes: string | null;
}

/** The samples of one trial, for drawing. */
export interface TraceView {
  readonly hand: Side;
  readonly times: readonly number[];
  readonly forces: readonly number[];
}
