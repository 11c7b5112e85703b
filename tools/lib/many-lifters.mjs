import pg from 'pg';

/**
 * Makes the demo club large: lifters with years of logs, copied from one of the demo with days and loads spread. Everything
 * by SQL in the database, since three years of five hundred lifters are millions of rows.
 */
export async function manyLifters(databaseUrl, { lifters, years, like }) {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  await client.query('SET synchronous_commit = off');
  await client.query('CREATE TEMP TABLE fresh (id uuid PRIMARY KEY)');
  await client.query(
    `WITH made AS (INSERT INTO lifter (id, club_id, name, sport, unit, dominant_hand, stance, deadlift_max, training_since, school_id, hook_stage, thresholds)
     SELECT gen_random_uuid(), club_id, 'Guest ' || to_char(n, 'FM0000'), sport, unit, dominant_hand, stance, deadlift_max,
            training_since, school_id, hook_stage, thresholds
       FROM lifter, generate_series(1, $2::int) n WHERE lifter.name = $1 RETURNING id)
     INSERT INTO fresh SELECT id FROM made`,
    [like, lifters],
  );
  await client.query(
    `INSERT INTO training_session (id, club_id, lifter_id, venue_id, held_on, title, holds, finished)
     SELECT gen_random_uuid(), l.club_id, l.id, (SELECT id FROM venue WHERE name = 'Rope works'), current_date - 7 * w - 2 * d, 'Session', '[]', w > 0
       FROM lifter l JOIN fresh USING (id), generate_series(0, $1::int) w, generate_series(0, 2) d`,
    [52 * years],
  );
  await client.query(
    `INSERT INTO logged_set (id, club_id, lifter_id, session_id, lift_id, role, training_day, done_at, load, reps, style, grip, strapped, chalk, diameter, slipped_at_rep)
     SELECT gen_random_uuid(), t.club_id, t.lifter_id, t.id, 'deadlift.conventional', CASE WHEN n < 5 THEN 'warmup' ELSE 'volume' END, t.held_on,
            t.held_on + interval '17 hours' + n * interval '4 minutes', 50 + 8 * n, 1 + n % 5, 'reset',
            (ARRAY['doubleOverhand', 'mixed', 'hook'])[1 + n % 3], n % 4 = 0, 'block', 29, CASE WHEN random() < 0.02 THEN 1 END
       FROM training_session t JOIN fresh ON fresh.id = t.lifter_id, generate_series(1, 9) n
      WHERE t.finished`,
  );
  await client.query('DROP TABLE fresh');
  // What a database does by itself within the hour after so many rows, and would do in the middle of what is measured.
  await client.query('VACUUM (ANALYZE)');
  await client.query('CHECKPOINT');
  const { rows } = await client.query('SELECT count(*)::int AS sets FROM logged_set');
  await client.end();
  return rows[0].sets;
}
