import { Injectable, type OnModuleInit } from '@nestjs/common';
import type { CurveFamily } from '@iron-clasp/core';
import { DataSource } from 'typeorm';
import { KeptTables, OWN } from '../../platform/database/kept-tables.ts';
import { readBy, readOne } from '../../platform/database/read-many.ts';
import { KeptBackTest, KeptCurve } from './kept-curve.entity.ts';

/** The latest fit of each lifter's curves; worked out from the log, and made anew where it is lost. */
@Injectable()
export class KeptCurvesService implements OnModuleInit {
  constructor(
    private readonly db: DataSource,
    private readonly kept: KeptTables,
  ) {}

  onModuleInit(): void {
    // Worked out from the log.
    this.kept.register(
      { name: 'kept_curve', ...OWN, exported: 'never' },
      { name: 'kept_back_test', ...OWN, exported: 'never' },
    );
  }

  find(lifterId: string, family: CurveFamily): Promise<KeptCurve | null> {
    return readOne(this.db, KeptCurve, { lifterId, family });
  }

  /** Keeps a fit in the place of the one before it; a lifter deleted meanwhile keeps none. */
  async keep(kept: KeptCurve): Promise<void> {
    await this.db.query(
      `INSERT INTO kept_curve (lifter_id, family, club_id, fingerprint, scales_fingerprint, rows, curve, fitted_at)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8)
       ON CONFLICT (lifter_id, family) DO UPDATE SET fingerprint = excluded.fingerprint,
         scales_fingerprint = excluded.scales_fingerprint, rows = excluded.rows, curve = excluded.curve, fitted_at = excluded.fitted_at`,
      [
        ...[kept.lifterId, kept.family, kept.clubId, kept.fingerprint, kept.scalesFingerprint, kept.rows],
        ...[JSON.stringify(kept.curve), kept.fittedAt],
      ],
    );
  }

  findBackTest(lifterId: string): Promise<KeptBackTest | null> {
    return readOne(this.db, KeptBackTest, { lifterId });
  }

  /** The club's back-tests. */
  backTestsOf(clubId: string): Promise<KeptBackTest[]> {
    return readBy(this.db, KeptBackTest, { clubId });
  }

  /** Keeps a back-test in the place of the one before it; of a lifter deleted meanwhile none is kept, and that is a fault. */
  async keepBackTest({ lifterId, clubId, fingerprint, tally, madeAt }: KeptBackTest): Promise<void> {
    await this.db.query(
      `INSERT INTO kept_back_test (lifter_id, club_id, fingerprint, tally, made_at)
       VALUES ($1, $2, $3, $4, $5)
       ON CONFLICT (lifter_id) DO UPDATE SET fingerprint = excluded.fingerprint, tally = excluded.tally,
         made_at = excluded.made_at`,
      [lifterId, clubId, fingerprint, JSON.stringify(tally), madeAt],
    );
  }
}
