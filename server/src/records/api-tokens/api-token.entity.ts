import type { TokenScope } from '@iron-clasp/contract';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** What a client of somebody's shows instead of signing in. Only a hash of its secret is kept. */
@Entity('api_token')
export class ApiToken {
  @PrimaryColumn('uuid') id: string;
  @Column('uuid') clubId: string;
  @Column('text') name: string;
  @Column('text') scope: TokenScope;
  @Column('text') secretHash: string;
  /** Whose right it borrows: it ends with theirs. */
  @Column('uuid') madeBy: string;
  @Column('timestamptz') madeAt: Date;
  /** The last of the club's days on which it is good. */
  @Column('date') endsOn: string;
  @Column('timestamptz', { nullable: true }) lastUsedAt: Date | null;
  @Column('timestamptz', { nullable: true }) revokedAt: Date | null;
}
