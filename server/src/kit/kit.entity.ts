import type { ChalkKind, MassUnit } from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('venue')
export class Venue {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('text') name: string;
  @Column('text') chalk: ChalkKind;
}

/** Masses kg, diameter mm; `collars` is both together. */
@Entity('bar')
export class Bar {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') venueId: string;
  @Column('text') name: string;
  @Column('double precision') mass: number;
  @Column('double precision') diameter: number;
  @Column('double precision') collars: number;
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
