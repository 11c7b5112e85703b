import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Corrections are taken out and deleted with their lifter. */
export class CorrectionsByLifter1766000000054 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('CREATE INDEX log_correction_lifter ON log_correction (lifter_id)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX log_correction_lifter');
  }
}
