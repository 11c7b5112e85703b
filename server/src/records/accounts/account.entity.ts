import type { MassUnit } from '@iron-clasp/core';
import type { Theme } from '@iron-clasp/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { Role } from '../../platform/access/signed-in.ts';

@Entity('account')
export class Account {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('text') email: string;
  @Column('text') name: string;
  @Column('text') role: Role;
  @Column('text', { select: false }) passwordHash: string;
  /** The lifter whose account it is; null for a coach. */
  @Column('uuid', { nullable: true }) lifterId: string | null;
  @Column('text') unit: MassUnit;
  @Column('text') theme: Theme;
  /** Taken back: it signs in no more, and keeps its name on what it signed. */
  @Column('timestamptz', { nullable: true }) removedAt: Date | null;
}

/** A signed-in browser. Only a hash of the cookie's token is kept, so that a copy of the table opens nothing. */
@Entity('sign_in')
export class SignIn {
  @PrimaryColumn('text') tokenHash: string;
  @Column('uuid') accountId: string;
  @Column('text') changeToken: string;
  @Column('timestamptz') expiresAt: Date;
}
