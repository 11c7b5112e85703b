import { findLift } from '../set-demand/lifts.ts';
import { chalkCall } from './chalk-call.ts';
import { percent } from './plain-words.ts';
import type { SetRole } from './set-role.ts';
import type { ChalkCall, GripChoice } from './types.ts';

const chalk = (
  lift: string,
  choice: GripChoice | null,
  { role = 'top', allowed = 'block', dry = 0.5, sweat = false }: Given = {},
): ChalkCall => chalkCall({ lift: findLift(lift)!, role }, choice, allowed, () => dry, sweat);
interface Given {
  readonly role?: SetRole;
  readonly allowed?: ChalkCall['kind'];
  readonly dry?: number;
  readonly sweat?: boolean;
}
const NONE = { kind: 'none', where: [] };

it('goes to the palm, the web and what the grip adds, in the kind that the house allows', () => {
  expect(chalk('deadlift.conventional', 'hook', { allowed: 'liquid' })).toEqual({
    kind: 'liquid',
    where: ['palm and fingers', 'web of the thumb', 'outer side of the thumb'],
  });
  expect(chalk('hold.front-rack', 'doubleOverhand').where).toContain('finger where the thumb locks on');
});

it('is none where the house allows none, the lift takes none, or no grip is left', () => {
  expect(chalk('deadlift.conventional', 'hook', { allowed: 'none' })).toEqual(NONE);
  expect(chalk('gripper.close', null)).toEqual(NONE);
  expect(chalk('deadlift.conventional', null)).toEqual(NONE);
  expect(chalk('press', null, { allowed: 'none' })).toEqual(NONE);
});

it('of what hangs from no hand has the places of the lift alone', () => {
  expect(chalk('press', null)).toEqual({ kind: 'block', where: ['heel of the hand'] });
  expect(chalk('press', null, { role: 'warmup' })).toEqual(NONE);
});

it('of what is not said to sweat is that of a dry day', () => {
  expect(chalkCall({ lift: findLift('squat')!, role: 'top' }, null, 'block', () => 1)).toEqual(NONE);
});

it('of a squat is for heat and sweat', () => {
  expect(chalk('squat', null)).toEqual(NONE);
  expect(chalk('squat', null, { sweat: true })).toEqual({ kind: 'block', where: ['back at bar height'] });
});

it('is spared on a warm-up that the dry hand holds, from 99 in 100 on, and never under straps', () => {
  const warmUp = (choice: GripChoice, dry: number): string =>
    chalk('deadlift.conventional', choice, { role: 'warmup', dry }).kind;
  expect([warmUp('mixed', 0.9899), warmUp('mixed', 0.99), warmUp('straps', 1)]).toEqual([
    ...['block', 'none', 'block'],
  ]);
  expect(chalk('deadlift.conventional', 'mixed', { dry: 1 }).kind).toBe('block');
});

it('a chance is said in whole per cent, and never as certain', () => {
  const said = (chance: number): string => percent(chance).replace('\u00a0', ' ');
  expect([0, 0.0099, 0.01, 0.014, 0.5, 0.99, 0.9901, 1].map(said)).toEqual([
    ...['under 1 %', 'under 1 %', '1 %', '1 %', '50 %', '99 %', 'over 99 %', 'over 99 %'],
  ]);
});
