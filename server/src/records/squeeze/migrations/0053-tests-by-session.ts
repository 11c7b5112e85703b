import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Sessions are deleted with their club: without it every one of them would be looked for in all tests. */
export class TestsBySession1766000000053 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE INDEX squeeze_test_session ON squeeze_test (session_id) WHERE session_id IS NOT NULL',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX squeeze_test_session');
  }
}
