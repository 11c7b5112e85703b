import { KeptTables } from '../src/platform/database/kept-tables.ts';
import { startApi, type Api } from './api.test-helper.ts';

let api: Api;
beforeAll(async () => {
  api = await startApi({ demo: null });
});
afterAll(() => api.close());

/**
 * Columns that a row of an export always holds, as the first exports held them. What came later may be missing in an older
 * one: it has a value of its own then.
 */
const ASKED_AT_FIRST: Readonly<Record<string, string>> = {
  account: 'id club_id email name role',
  bar: 'id venue_id name mass diameter',
  bar_brushing: 'id bar_id brushed_at',
  call_override: 'id session_id choice reason made_by made_at lifter_id club_id',
  call_override_set: 'override_id planned_set_id',
  club: 'id name time_zone',
  club_school: 'id club_id based_on school version',
  club_school_version: 'school_id version school changed_by changed_at',
  deed: 'id club_id at what',
  dynamometer: 'id venue_id place name settings',
  gripper: 'id venue_id place name',
  gripper_attempt: 'id lifter_id gripper_id hand depth closed done_at club_id training_day',
  handle: 'id venue_id place name diameter mass',
  hands_check: 'id lifter_id checked_on hands checked_at club_id',
  hold_decision: 'id session_id what kind made_by made_at lifter_id club_id',
  hold_setting: 'id club_id lifter_id kind version',
  library_plan: 'id club_id kind title sessions bests version',
  lifter:
    'id club_id name sport unit dominant_hand stance deadlift_max training_since school_id hook_stage thresholds',
  lifter_change: 'id lifter_id changed_by changed_at version field',
  lifter_history: 'id lifter_id kind cleared',
  log_correction: 'id entry_id lifter_id corrected_at before after club_id',
  logged_hold:
    'id lifter_id session_id kind place done_at load seconds target ended grip chalk diameter club_id training_day lift_id',
  logged_set:
    'id lifter_id session_id lift_id role done_at load reps style grip strapped chalk diameter club_id training_day',
  meet: 'id lifter_id name held_on straps thumb_tape liquid_chalk club_id',
  pin_rack: 'id venue_id place name pin_heights',
  planned_set: 'id session_id place lift_id role load reps style',
  plate: 'id venue_id mass unit pairs',
  season_mark: 'id lifter_id kind label starts_on ends_on club_id',
  squeeze_protocol: 'id club_id name protocol',
  squeeze_test: 'id lifter_id protocol tested_on tested_at trials source club_id',
  squeeze_trace: 'test_id place hand times forces',
  training_import: 'id club_id name imported_at things days',
  training_import_row: 'id import_id lifter_id kind',
  training_session: 'id lifter_id venue_id held_on title club_id',
  venue: 'id club_id name chalk',
};

it('what came after the first exports has a value of its own, so that those come back', async () => {
  const tables = (await api.app.get(KeptTables).inOrder(api.db.manager)).filter(
    ({ exported }) => exported !== 'never',
  );
  const asked: { name: string; columns: string }[] = await api.db.query(
    `SELECT table_name AS name, string_agg(column_name, ' ' ORDER BY ordinal_position) AS columns
       FROM information_schema.columns
      WHERE table_schema = 'public' AND is_nullable = 'NO' AND column_default IS NULL
        AND is_identity = 'NO' AND table_name = ANY($1)
      GROUP BY table_name`,
    [tables.map(({ name }) => name)],
  );
  const later = asked.flatMap(({ name, columns }) => {
    const first = ASKED_AT_FIRST[name]?.split(' ');
    // A table that came later is no file of an older export.
    return first
      ? columns
          .split(' ')
          .filter((column) => !first.includes(column))
          .map((each) => `${name}.${each}`)
      : [];
  });
  expect(later).toEqual([]);
  const names = tables.map(({ name }) => name);
  expect(Object.keys(ASKED_AT_FIRST).filter((name) => !names.includes(name))).toEqual([]);
});
