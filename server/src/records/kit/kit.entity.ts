import type { ChalkKind, KitDynamometer, KitNeed, Knurl, MassUnit, StrapType } from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('venue')
export class Venue {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('text') name: string;
  @Column('text') chalk: ChalkKind;
  /** Heat, humidity and the like. */
  @Column('text') note: string;
  /** Null where any strap can be had. */
  @Column('text', { array: true, nullable: true }) straps: StrapType[] | null;
  /** Null where nobody has listed it. */
  @Column('text', { array: true, nullable: true }) has: KitNeed[] | null;
  /** Grows with every change; an editor that saw an older one is told so. */
  @Column('int') version: number;
  @Column('timestamptz', { nullable: true }) archivedAt: Date | null;
}

/** What every item of a venue carries; what is taken out is retired, since the log may name it. */
abstract class KitItem {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') venueId: string;
  @Column('int') place: number;
  @Column('text') name: string;
  @Column('timestamptz', { nullable: true }) retiredAt: Date | null;
}

/** Masses kg, diameter mm; `collars` is both together. */
@Entity('bar')
export class Bar extends KitItem {
  @Column('double precision') mass: number;
  @Column('double precision') diameter: number;
  @Column('double precision') collars: number;
  @Column('text') knurl: Knurl;
  /** Chalked sets between brushings. */
  @Column('int') brushEvery: number;
}

@Entity('bar_brushing')
export class BarBrushing {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') barId: string;
  @Column('uuid', { nullable: true }) brushedBy: string | null;
  @Column('timestamptz') brushedAt: Date;
}

/** A denomination in its own unit, and how many pairs the venue has. */
@Entity('plate')
export class Plate {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') venueId: string;
  @Column('double precision') mass: number;
  @Column('text') unit: MassUnit;
  @Column('int') pairs: number;
}

@Entity('handle')
export class Handle extends KitItem {
  /** mm. */
  @Column('double precision') diameter: number;
  /** kg. */
  @Column('double precision') mass: number;
}

@Entity('gripper')
export class Gripper extends KitItem {
  /** kg, or null where nobody has measured it. */
  @Column('double precision', { nullable: true }) resistance: number | null;
}

@Entity('pin_rack')
export class PinRack extends KitItem {
  /** mm above the floor. */
  @Column('jsonb') pinHeights: number[];
}

@Entity('dynamometer')
export class Dynamometer extends KitItem {
  @Column('jsonb') settings: KitDynamometer['settings'];
}
