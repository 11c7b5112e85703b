import type { MassUnit } from '@iron-clasp/core';
import type { Role, Theme } from '@iron-clasp/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('account')
export class Account {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('text') email: string;
  @Column('text') name: string;
  @Column('text') role: Role;
  /** Null until one is chosen: it came back from an export. */
  @Column('text', { nullable: true, select: false }) passwordHash: string | null;
  /** The lifter whose account it is; null for everybody else. */
  @Column('uuid', { nullable: true }) lifterId: string | null;
  @Column('text') unit: MassUnit;
  @Column('text') theme: Theme;
  /** The last of the club's days on which it signs in; null where it goes on. */
  @Column('date', { nullable: true }) endsOn: string | null;
  /** Secret of an authenticator that is asked for beside the password. */
  @Column('text', { nullable: true, select: false }) secondFactor: string | null;
  /** Time step of the last code that was taken: none is taken twice. */
  @Column('bigint', { nullable: true, select: false }) secondFactorStep: string | null;
  @Column('int') version: number;
  /** Taken back: it signs in no more, and keeps its name on what it signed. */
  @Column('timestamptz', { nullable: true }) removedAt: Date | null;
}

/** A signed-in browser. Only a hash of the cookie's token is kept, so that a copy of the table opens nothing. */
@Entity('sign_in')
export class SignIn {
  @PrimaryColumn('text') tokenHash: string;
  /** What lists of devices call it. */
  @Column('uuid') id: string;
  @Column('uuid') accountId: string;
  @Column('text') changeToken: string;
  @Column('timestamptz') expiresAt: Date;
  /** Browser and system, as far as it told. */
  @Column('text') device: string;
  @Column('timestamptz') madeAt: Date;
  @Column('timestamptz') seenAt: Date;
}

/** A way to a new password that an owner hands over. Only a hash of its secret is kept. */
@Entity('password_link')
export class PasswordLink {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('uuid') accountId: string;
  @Column('text') secretHash: string;
  @Column('uuid', { nullable: true }) madeBy: string | null;
  @Column('timestamptz') madeAt: Date;
  @Column('timestamptz') expiresAt: Date;
  @Column('timestamptz', { nullable: true }) takenAt: Date | null;
  @Column('timestamptz', { nullable: true }) revokedAt: Date | null;
}
