import type { MigrationInterface, QueryRunner } from 'typeorm';

/** An entry keeps the diameter of what the hand closed on. Older ones kept the bar's for handles and axles too. */
export class LogKeepsWhatWasHeld1766000000027 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const table of ['logged_set', 'logged_hold'])
      await runner.query(`
        UPDATE ${table} SET diameter = CASE
            WHEN lift_id IN ('deadlift.axle', 'carry.axle', 'hold.thick-bar') THEN 50
            WHEN lift_id IN ('row.dumbbell', 'carry.dumbbells') THEN 30
            ELSE 32 END
         WHERE diameter < 40 AND lift_id IN ('deadlift.axle', 'carry.axle', 'hold.thick-bar', 'row.dumbbell',
                                             'carry.dumbbells', 'carry.handles', 'carry.frame');
      `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
