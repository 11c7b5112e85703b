import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsISO8601,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  MaxLength,
  Min,
  MinLength,
} from 'class-validator';
import type {
  ContractionProtocol,
  ContractionReading,
  Estimate,
  HandScores,
  KitDynamometer,
  Side,
  SqueezeProtocol,
  SqueezeReading,
  TraceReading,
} from '@iron-clasp/core';

const NAME = 'Name the protocol in 1 to 80 characters.';

/** A squeeze protocol of the club; the core says what of it cannot be used. */
export class SqueezeProtocolRequest {
  @IsString({ message: NAME })
  @MinLength(1, { message: NAME })
  @MaxLength(80, { message: NAME })
  name: string;

  @IsObject({ message: 'Say how the test is done.' })
  protocol: SqueezeProtocol;

  /** For a repeated-contraction test: how many squeezes, how long, and the rest between. */
  @IsOptional()
  @IsObject({ message: 'Say how many contractions, how long and how far apart.' })
  contractions?: ContractionProtocol;

  @IsOptional()
  @IsBoolean({ message: 'Say whether the protocol is put aside.' })
  archived?: boolean;

  /** The version the editor was drawn from; 0 for a new protocol. */
  @IsInt()
  @Min(0)
  version: number;
}

const SOURCES = ['hand', 'file', 'device'] as const;
/** How the figures came: typed in, from a trace file, or live from a dynamometer. */
export type SqueezeSource = (typeof SOURCES)[number];

/** Samples of one squeeze: times s, forces kgf; null where the device dropped one. */
export interface SentTrace {
  readonly times: readonly number[];
  readonly forces: readonly (number | null)[];
}

/** One squeeze: its peak as read off, or its trace, from which the server reads the peak. */
export interface SentTrial {
  readonly hand: Side;
  /** kgf. */
  readonly force?: number;
  readonly trace?: SentTrace;
}

/** One squeeze test under a client-made id; the core says what of it cannot be used. */
export class SqueezeTestRequest {
  @IsOptional()
  @IsUUID(undefined, { message: 'Choose a protocol.' })
  protocolId?: string;

  @IsObject({ message: 'Say how the test was done.' })
  protocol: SqueezeProtocol;

  @IsArray({ message: 'Trials are a list.' })
  @ArrayMaxSize(40, { message: 'At most 40 trials in a test.' })
  trials: SentTrial[];

  /** A repeated-contraction test of one hand, in place of trials. */
  @IsOptional()
  @IsObject({ message: 'Say which hand, how, and the trace.' })
  contractions?: { readonly hand: Side; readonly protocol: ContractionProtocol; readonly trace: SentTrace };

  @IsIn(SOURCES, { message: 'Say where the figures came from: typed in, a file, or a device.' })
  source: SqueezeSource;

  @IsISO8601({ strict: true }, { message: 'The time of the test is not a date and time.' })
  testedAt: string;

  /** The session it opened. */
  @IsOptional()
  @IsUUID(undefined, { message: 'Name the session.' })
  sessionId?: string;

  @IsOptional()
  @IsString()
  @MaxLength(500, { message: 'Keep the note to 500 characters.' })
  note?: string;
}

/** Whether today's easier holds, which a squeeze test proposes, are declined. */
export class EasingRequest {
  @IsBoolean({ message: 'Say whether the easier holds are declined.' })
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
