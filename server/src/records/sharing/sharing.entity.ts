import type { Role } from '@iron-clasp/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A read-only link to a lifter's coming sessions, or to the club's calendar. Only a hash of its secret is kept. */
@Entity('share_link')
export class ShareLink {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  /** Null for the calendar of the club. */
  @Column('uuid', { nullable: true }) lifterId: string | null;
  @Column('text') secretHash: string;
  /** Days from today that it shows. */
  @Column('int') ahead: number;
  /** Hands, conditions and cautions too: the lifter has agreed. */
  @Column('boolean') health: boolean;
  @Column('uuid') madeBy: string;
  @Column('timestamptz') madeAt: Date;
  @Column('timestamptz') expiresAt: Date;
  @Column('uuid', { nullable: true }) revokedBy: string | null;
  @Column('timestamptz', { nullable: true }) revokedAt: Date | null;
}

/** An invitation to an account: of a lifter to their own, or of somebody to the staff. */
@Entity('invitation')
export class Invitation {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  /** Null for somebody of the staff. */
  @Column('uuid', { nullable: true }) lifterId: string | null;
  @Column('text') role: Role;
  /** Of somebody of the staff; a lifter has one already. */
  @Column('text') name: string;
  /** Last day of the account; null where it goes on. */
  @Column('date', { nullable: true }) endsOn: string | null;
  @Column('text') email: string;
  @Column('text') secretHash: string;
  @Column('uuid') madeBy: string;
  @Column('timestamptz') madeAt: Date;
  @Column('timestamptz') expiresAt: Date;
  @Column('timestamptz', { nullable: true }) takenAt: Date | null;
  @Column('timestamptz', { nullable: true }) revokedAt: Date | null;
}
