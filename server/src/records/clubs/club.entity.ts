import type { DateOrder, WeekStart } from '@iron-clasp/contract';
import type { MassUnit } from '@iron-clasp/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('club')
export class Club {
  @PrimaryColumn('uuid') id: string;
  @Column('text') name: string;
  /** IANA name of the zone its days are counted in. */
  @Column('text') timeZone: string;
  /** What new lifters and people of it start with. */
  @Column('text') unit: MassUnit;
  @Column('text') weekStart: WeekStart;
  @Column('text') dateOrder: DateOrder;
  /** The invented club: nobody of it signs in where the demo is off. */
  @Column('boolean') demo: boolean;
  @Column('int') version: number;
}

/** A code that starts a club where there is none; only its hash is kept. Each process that starts shows one of its own. */
@Entity('set_up_code')
export class SetUpCode {
  @PrimaryColumn('uuid') id: string;
  @Column('text') codeHash: string;
  @Column('timestamptz') madeAt: Date;
}
