import { GRIPS } from '../clasp-curve/types.ts';
import { GRIP_KINDS, WRIST_POSITIONS, type Lift } from './lift.ts';
import { STRAP_REFUSALS } from './lift-families.ts';
import { findLift, liftOf, LIFTS } from './lifts.ts';
import { setDemand } from './set-demand.ts';
import { LOAD_MEANING_NAMES } from '../vocabulary.ts';

const admitted = (id: string): string => {
  const lift = findLift(id)!;
  const grips = lift.admits.map((grip) => ({ doubleOverhand: 'DOH', mixed: 'mixed', hook: 'hook' })[grip]);
  return [
    ...grips,
    ...(lift.straps.allowed ? [lift.strapFit!.type] : []),
    ...(lift.chalk ? ['chalk'] : []),
  ].join(' ');
};

// What the trade does on each lift: bare grips, the strap that fits where straps are allowed, and whether chalk has a place.
it.each([
  ['deadlift.conventional', 'DOH mixed hook loop chalk'],
  ['deadlift.sumo', 'DOH mixed hook loop chalk'],
  ['deadlift.clean-grip', 'DOH hook loop chalk'],
  ['deadlift.deficit', 'DOH mixed hook loop chalk'],
  ['deadlift.paused', 'DOH mixed hook loop chalk'],
  ['deadlift.one-arm', 'DOH hook loop chalk'],
  ['deadlift.axle', 'DOH mixed loop chalk'],
  ['romanian', 'DOH hook loop chalk'],
  ['stiff-leg', 'DOH hook loop chalk'],
  ['rack-pull', 'DOH mixed hook loop chalk'],
  ['block-pull', 'DOH mixed hook loop chalk'],
  ['shrug', 'DOH hook loop chalk'],
  ['row.barbell', 'DOH hook loop chalk'],
  ['row.dumbbell', 'DOH loop chalk'],
  ['pull-down', 'DOH loop chalk'],
  ['clean-pull', 'DOH hook quickRelease chalk'],
  ['snatch-pull', 'DOH hook quickRelease chalk'],
  ['high-pull', 'DOH hook quickRelease chalk'],
  ['clean', 'DOH hook chalk'],
  ['power-clean', 'DOH hook chalk'],
  ['hang-clean', 'DOH hook chalk'],
  ['snatch', 'DOH hook quickRelease chalk'],
  ['power-snatch', 'DOH hook quickRelease chalk'],
  ['hang-snatch', 'DOH hook quickRelease chalk'],
  ['clean.axle', 'DOH mixed chalk'],
  ['clean.continental', 'DOH mixed chalk'],
  ['press', 'chalk'],
  ['bench', 'chalk'],
  ['squat', 'chalk'],
  ['pull-up', 'DOH chalk'],
  ['pull-up.towel', 'DOH chalk'],
  ['chin-up', 'DOH chalk'],
  ['hanging-leg-raise', 'DOH chalk'],
  ['curl', 'DOH chalk'],
  ['curl.reverse', 'DOH chalk'],
  ['carry.handles', 'DOH heavyDuty chalk'],
  ['carry.frame', 'DOH heavyDuty chalk'],
  ['carry.dumbbells', 'DOH heavyDuty chalk'],
  ['carry.axle', 'DOH heavyDuty chalk'],
  ['stone.load', 'chalk'],
  ['keg.load', 'chalk'],
  ['sandbag.carry', 'chalk'],
  ['yoke.walk', ''],
  ['hold.front-rack', 'DOH mixed hook chalk'],
  ['hold.behind-back', 'DOH chalk'],
  ['hold.supinated', 'DOH chalk'],
  ['hold.thick-bar', 'DOH chalk'],
  ['hang.dead', 'DOH chalk'],
  ['hang.one-arm', 'DOH chalk'],
  ['hang.fabric', 'DOH chalk'],
  ['pinch.plates', 'chalk'],
  ['pinch.block', 'chalk'],
  ['hold.hex', 'chalk'],
  ['gripper.close', ''],
  ['ball-squeeze', ''],
  ['wrist-curl.behind-back', ''],
  ['wrist-extension.standing', ''],
  ['bar-balance', ''],
  ['lever-rotation', ''],
  ['bell-turnover', ''],
  ['radial-raise', ''],
  ['plate-wrist-raise', ''],
  ['wrist-roller', ''],
  ['bar-twist', ''],
  ['knuckle-press-up', ''],
  ['band-opening', ''],
  ['band-opening.range', ''],
])('%s admits: %s', (id, admits) => expect(admitted(id)).toBe(admits));

it('the table above is the whole catalogue', () => expect(LIFTS).toHaveLength(67));

describe.each(LIFTS.map((lift) => [lift.id, lift] as const))('%s', (_id, lift: Lift) => {
  it('holds together', () => {
    expect(lift.secondsPerRep).toBeGreaterThan(0);
    expect(lift.dynamicFactor).toBeGreaterThanOrEqual(1);
    expect(lift.name).toMatch(/^[A-Z]/);
    // A grip is called where, and only where, closed hands on a bar or handle carry the set.
    expect(lift.admits.length > 0).toBe(lift.grips);
    expect(GRIPS).toEqual(expect.arrayContaining([...lift.admits]));
    if (lift.grips) expect(lift.curve).toBe('support');
    if (!lift.straps.allowed) expect(STRAP_REFUSALS.map((each) => each.ruleId)).toContain(lift.straps.ruleId);
    if (lift.mustDropFast && lift.straps.allowed) expect(lift.strapFit!.type).toBe('quickRelease');
    if (lift.kind) {
      expect(GRIP_KINDS).toContain(lift.kind);
      expect(lift.wrist.length).toBeGreaterThan(0);
    } else expect(lift.wrist).toEqual([]);
    for (const cue of lift.cues) expect(cue).toMatch(/\.$/);
  });
});

it('has an exercise for every kind of hand work and every wrist position', () => {
  for (const kind of GRIP_KINDS) expect(LIFTS.some((lift) => lift.kind === kind)).toBe(true);
  for (const position of WRIST_POSITIONS)
    expect(LIFTS.some((lift) => lift.wrist.includes(position))).toBe(true);
});

it('ids are unique; a coach’s own figures are taken where they have the shape of a lift', () => {
  expect(new Set(LIFTS.map((lift) => lift.id)).size).toBe(LIFTS.length);
  const own = { ...findLift('shrug')!, secondsPerRep: 3 };
  expect(liftOf(own)).toBe(own);
  expect(() => liftOf('kettle')).toThrow(/lift of the catalogue/);
  expect(() => liftOf({ ...own, secondsPerRep: 0 })).toThrow(/lift/);
});

it('a carry of two things says whose load is written', () => {
  const two = LIFTS.filter(
    ({ family, needs }) =>
      family === 'carry' && needs.some((need) => need === 'handles' || need === 'dumbbells'),
  );
  expect(two.map(({ id, loadMeans }) => [id, LOAD_MEANING_NAMES[loadMeans]])).toEqual([
    ['carry.handles', 'both hands together'],
    ['carry.dumbbells', 'in each hand'],
  ]);
  // Written for both hands it is what the hands hold; written for each it is twice that.
  const load = (lift: string): number => setDemand({ lift, load: 60, reps: 1, seconds: 30 }).load;
  expect(load('carry.dumbbells')).toBeCloseTo(2 * load('carry.handles'), 9);
});
