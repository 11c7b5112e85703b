import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Before a row is deleted, PostgreSQL looks for rows that point to it: without an index it reads the whole log for each set of a
 * plan that is taken away.
 */
export class WhatIsDeletedIsFound1766000000060 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE INDEX logged_set_by_planned_set ON logged_set (planned_set_id) WHERE planned_set_id IS NOT NULL;
      CREATE INDEX squeeze_test_of_session ON squeeze_test (session_id) WHERE session_id IS NOT NULL;
      CREATE INDEX squeeze_test_of_lifter ON squeeze_test (lifter_id);
      CREATE INDEX gripper_attempt_of_lifter ON gripper_attempt (lifter_id);
      CREATE INDEX training_session_by_bar ON training_session (bar_id) WHERE bar_id IS NOT NULL;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
