import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a coach sees and hears of a lifter's grip on the first day: how the best was held, the practised side, habits. */
export class HowTheBestWasPulled1766000000029 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE lifter
        ADD COLUMN best_pulled text NOT NULL DEFAULT 'notSaid'
          CHECK (best_pulled IN ('notSaid', 'doubleOverhand', 'mixed', 'hook', 'straps')),
        ADD COLUMN best_chalk text CHECK (best_chalk IN ('block', 'liquid', 'none')),
        ADD COLUMN practised_under text CHECK (practised_under IN ('left', 'right')),
        ADD COLUMN alternation text NOT NULL DEFAULT 'lightBySession'
          CHECK (alternation IN ('never', 'lightBySession', 'lightBySet', 'always')),
        ADD COLUMN thumb_fingers int CHECK (thumb_fingers IN (2, 3)),
        ADD COLUMN clenches boolean NOT NULL DEFAULT false,
        ADD COLUMN arms_bend_under_mixed boolean NOT NULL DEFAULT false;
      UPDATE lifter SET unanswered = unanswered || ARRAY['bestPulled', 'practisedUnder'];
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
