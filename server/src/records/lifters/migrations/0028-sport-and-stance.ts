import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Sport and stance become values of a list, large thighs a field; text that the lists do not hold is kept in the words. */
export class SportAndStance1766000000028 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE lifter
        ADD COLUMN sport_words text NOT NULL DEFAULT '',
        ADD COLUMN large_thighs boolean NOT NULL DEFAULT false;
      UPDATE lifter SET
        sport_words = concat_ws('; ',
          NULLIF(regexp_replace(btrim(sport),
            '^(powerlifting|weightlifting|strongman|general strength)[\\s,;:/-]*', '', 'i'), ''),
          CASE WHEN lower(btrim(stance)) NOT IN ('conventional', 'sumo', 'sumo, large thighs', 'clean-grip')
            THEN 'stance: ' || btrim(stance) END),
        sport = CASE
          WHEN sport ~* 'weightlifting' THEN 'weightlifting'
          WHEN sport ~* 'strongman' THEN 'strongman'
          WHEN sport ~* 'powerlifting' THEN 'powerlifting'
          WHEN sport ~* 'general strength' THEN 'generalStrength'
          ELSE 'other' END,
        large_thighs = stance ~* 'large thighs',
        stance = CASE
          WHEN stance ~* 'sumo' THEN 'sumo'
          WHEN stance ~* 'clean' THEN 'cleanGrip'
          ELSE 'conventional' END;
      ALTER TABLE lifter
        ADD CONSTRAINT lifter_sport CHECK
          (sport IN ('powerlifting', 'weightlifting', 'strongman', 'generalStrength', 'other')),
        ADD CONSTRAINT lifter_stance CHECK (stance IN ('conventional', 'sumo', 'cleanGrip'));
    `);
  }

  async down(): Promise<void> {
    throw new Error('Migrations only go forward: restore a backup instead.');
  }
}
