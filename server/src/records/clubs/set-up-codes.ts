import { createHash, randomInt, randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { addDays } from 'date-fns';
import { DataSource, LessThanOrEqual, MoreThan, type EntityManager } from 'typeorm';
import { Clock } from '../../platform/clock/clock.ts';
import { SetUpCode } from './club.entity.ts';

/** Without letters and figures that are taken for one another. */
const ALPHABET = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
/** 12 of 32: 2^60 codes. */
const LENGTH = 12;
/** A code of a process that is long gone opens nothing, days. */
const LASTS_DAYS = 30;

const plain = (code: string): string => code.toUpperCase().replaceAll(/[^A-Z0-9]/g, '');
const hashOf = (code: string): string => createHash('sha256').update(plain(code)).digest('base64url');

/** One-time codes that the terminal shows: whoever runs the machine starts the club, and nobody else who finds the page. */
@Injectable()
export class SetUpCodes {
  constructor(
    private readonly db: DataSource,
    private readonly clock: Clock,
  ) {}

  /** A new code, as it is shown: `ABCD-EFGH-JKLM`. */
  async make(): Promise<string> {
    const code = Array.from({ length: LENGTH }, () => ALPHABET[randomInt(ALPHABET.length)]).join('');
    const codes = this.db.getRepository(SetUpCode);
    // Every start makes one: those that open nothing any more go.
    await codes.delete({ madeAt: LessThanOrEqual(this.since()) });
    await codes.insert({ id: randomUUID(), codeHash: hashOf(code), madeAt: this.clock.now() });
    return code.replaceAll(/(.{4})(?=.)/g, '$1-');
  }

  /** Is it one that was shown, however its letters are written? */
  isKnown(code: string): Promise<boolean> {
    const codes = this.db.getRepository(SetUpCode);
    return codes.existsBy({ codeHash: hashOf(code), madeAt: MoreThan(this.since()) });
  }

  /** A club was started: no code opens anything from now on. */
  async spend(manager: EntityManager): Promise<void> {
    await manager.clear(SetUpCode);
  }

  /** Codes made until then open nothing. */
  private since(): Date {
    return addDays(this.clock.now(), -LASTS_DAYS);
  }
}
