import type { ContractionProtocol, ContractionReading, Side, SqueezeProtocol } from '@iron-clasp/core';
import type { SqueezeSource, SqueezeTrialView } from '@iron-clasp/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('squeeze_protocol')
export class SqueezeProtocolRow {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('text') name: string;
  @Column('jsonb') protocol: SqueezeProtocol;
  @Column('jsonb', { nullable: true }) contractions: ContractionProtocol | null;
  /** Grows with every change; an editor that saw an older one is told so. */
  @Column('int') version: number;
  @Column('timestamptz', { nullable: true }) archivedAt: Date | null;
}

/** What a repeated-contraction test of one hand showed. */
export interface KeptContractions {
  readonly hand: Side;
  readonly protocol: ContractionProtocol;
  readonly reading: ContractionReading;
}

/** A squeeze test; its protocol is kept as it was on the day, since the club's may change. */
@Entity('squeeze_test')
export class SqueezeTestRow {
  /** Made by the client, so that sending the same test again changes nothing. */
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('uuid', { nullable: true }) sessionId: string | null;
  @Column('uuid', { nullable: true }) protocolId: string | null;
  @Column('jsonb') protocol: SqueezeProtocol;
  @Column('date') testedOn: string;
  @Column('timestamptz') testedAt: Date;
  /** Peaks, kgf, with what each trace showed. */
  @Column('jsonb') trials: readonly SqueezeTrialView[];
  @Column('jsonb', { nullable: true }) contractions: KeptContractions | null;
  @Column('text') source: SqueezeSource;
  @Column('text', { nullable: true }) note: string | null;
  /** The coach kept the holds as they were, though the test proposed easier ones. */
  @Column('boolean') easingDeclined: boolean;
  @Column('uuid', { nullable: true }) declinedBy: string | null;
  @Column('uuid', { nullable: true }) loggedBy: string | null;
  @Column('timestamptz', { nullable: true }) undoneAt: Date | null;
}

/** Samples of one trial: times s, forces kgf, cleaned. */
@Entity('squeeze_trace')
export class SqueezeTraceRow {
  @PrimaryColumn('uuid') testId: string;
  @PrimaryColumn('int') place: number;
  @Column('text') hand: Side;
  @Column('real', { array: true }) times: number[];
  @Column('real', { array: true }) forces: number[];
}
