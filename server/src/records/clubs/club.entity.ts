import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('club')
export class Club {
  @PrimaryColumn('uuid') id: string;
  @Column('text') name: string;
  /** IANA name of the zone its days are counted in. */
  @Column('text') timeZone: string;
}
