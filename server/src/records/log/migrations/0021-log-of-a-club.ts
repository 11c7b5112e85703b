import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Entries name their club and the club’s day on which they were done, beside the instant; a hold names its lift; corrections name their club. */
export class LogOfAClub1766000000021 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE logged_set ADD COLUMN club_id uuid;
      UPDATE logged_set x SET club_id = l.club_id FROM lifter l WHERE l.id = x.lifter_id;
      ALTER TABLE logged_set ALTER COLUMN club_id SET NOT NULL,
        ADD FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id);
      ALTER TABLE logged_set ADD COLUMN training_day date;
      UPDATE logged_set x SET training_day = (x.done_at AT TIME ZONE c.time_zone)::date FROM club c WHERE c.id = x.club_id;
      ALTER TABLE logged_set ALTER COLUMN training_day SET NOT NULL;
      CREATE INDEX logged_set_day ON logged_set (lifter_id, training_day) WHERE undone_at IS NULL;
      ALTER TABLE logged_hold ADD COLUMN club_id uuid;
      UPDATE logged_hold x SET club_id = l.club_id FROM lifter l WHERE l.id = x.lifter_id;
      ALTER TABLE logged_hold ALTER COLUMN club_id SET NOT NULL,
        ADD FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id);
      ALTER TABLE logged_hold ADD COLUMN training_day date;
      UPDATE logged_hold x SET training_day = (x.done_at AT TIME ZONE c.time_zone)::date FROM club c WHERE c.id = x.club_id;
      ALTER TABLE logged_hold ALTER COLUMN training_day SET NOT NULL;
      CREATE INDEX logged_hold_day ON logged_hold (lifter_id, training_day) WHERE undone_at IS NULL;
      ALTER TABLE logged_hold ADD COLUMN lift_id text;
      UPDATE logged_hold SET lift_id = CASE kind
        WHEN 'behindBackHold' THEN 'hold.behind-back' WHEN 'supinatedDeadHold' THEN 'hold.supinated'
        WHEN 'thickBarHold' THEN 'hold.thick-bar' WHEN 'deadHang' THEN 'hang.dead' WHEN 'fabricHang' THEN 'hang.fabric'
        WHEN 'platePinch' THEN 'pinch.plates' WHEN 'hexHold' THEN 'hold.hex' WHEN 'carry' THEN 'carry.handles'
        WHEN 'overhandReps' THEN 'deadlift.conventional' ELSE 'hold.front-rack' END;
      ALTER TABLE logged_hold ALTER COLUMN lift_id SET NOT NULL;
      ALTER TABLE log_correction ADD COLUMN club_id uuid;
      UPDATE log_correction x SET club_id = l.club_id FROM lifter l WHERE l.id = x.lifter_id;
      ALTER TABLE log_correction ALTER COLUMN club_id SET NOT NULL,
        ADD FOREIGN KEY (lifter_id, club_id) REFERENCES lifter (id, club_id);
      ALTER TABLE log_correction ADD COLUMN sent jsonb;
      CREATE INDEX logged_set_club_day ON logged_set (club_id, training_day) WHERE undone_at IS NULL;
      CREATE INDEX logged_hold_club_day ON logged_hold (club_id, training_day) WHERE undone_at IS NULL;
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
