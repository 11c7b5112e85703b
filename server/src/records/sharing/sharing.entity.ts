import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A read-only link to a lifter's coming sessions. Only a hash of its secret is kept. */
@Entity('share_link')
export class ShareLink {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('text') secretHash: string;
  @Column('uuid') madeBy: string;
  @Column('timestamptz') madeAt: Date;
  @Column('timestamptz') expiresAt: Date;
  @Column('uuid', { nullable: true }) revokedBy: string | null;
  @Column('timestamptz', { nullable: true }) revokedAt: Date | null;
}

/** An invitation of a lifter to an account of their own. */
@Entity('invitation')
export class Invitation {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') lifterId: string;
  @Column('text') email: string;
  @Column('text') secretHash: string;
  @Column('uuid') madeBy: string;
  @Column('timestamptz') madeAt: Date;
  @Column('timestamptz') expiresAt: Date;
  @Column('timestamptz', { nullable: true }) takenAt: Date | null;
  @Column('timestamptz', { nullable: true }) revokedAt: Date | null;
}
