import { hands, lifter } from '../calls/fixtures.test-helper.ts';
import type { HandToday } from '../hands/hand-state.ts';
import { holdRequest } from './fixtures.test-helper.ts';
import type { HoldPrescription, HoldRequest } from './hold-request.ts';
import { prescribeHold } from './prescribe-hold.ts';

/* What sore or barred hands change in a hold. */

const held = (more?: Partial<HoldRequest>): HoldPrescription => prescribeHold(holdRequest(more));
const with_ = (side: 'left' | 'right', more: Partial<HandToday>): Pick<HoldRequest, 'lifter'> => ({
  lifter: lifter({ hands: hands(side, more) }),
});
const reasonIn = ({ why }: HoldPrescription, id: string) => why.find(({ ruleId }) => ruleId === id);

it.each([
  ['left', { palm: 'tender' }],
  ['right', { palm: 'tender' }],
  ['left', { thumb: 'tender' }],
  ['right', { thumb: 'tender' }],
] as const)('tender skin takes one hard set: %s, %j', (side, more) => {
  const spared = held(with_(side, more));
  expect(held().sets).toBe(2);
  expect(spared.sets).toBe(1);
  expect(reasonIn(spared, 'hold.tender-one-less')).toEqual({
    ...{ ruleId: 'hold.tender-one-less', rank: 'safety' },
    text: 'Tender skin: one hard bare-handed set less today.',
  });
  expect(reasonIn(held(), 'hold.tender-one-less')).toBeUndefined();
});

it('torn skin bars it, and the reason leads', () => {
  const barred = held(with_('left', { palm: 'torn' }));
  expect(barred.barred).toMatchObject({ rank: 'safety' });
  expect(barred.why[0]).toEqual(barred.barred);
  expect(barred.grip).toBe('doubleOverhand');
});

it('says how far a target is: reached, away, or past its day, with the chance as the hands are now', () => {
  const start = held().load;
  const target = (load: number, daysAway: number): string =>
    reasonIn(held({ target: { load, daysAway } }), 'hold.target')!.text;
  expect(target(start, 30)).toBe('The target is reached with this load.');
  expect(target(start + 10, 30)).toMatch(
    /^The target, 30 days away, is held \d+ to \d+ times in 100 as the hands are now\.$/,
  );
  expect(target(start + 10, 0)).toMatch(/^The target, due today, is held /);
  expect(target(start + 10, -1)).toMatch(
    /^The day of the target is past: it is held \d+ to \d+ times in 100 as the hands are now\.$/,
  );
  // Where both ends of the range are one figure, it is said once.
  expect(target(1000, 30)).toBe('The target, 30 days away, is held 0 times in 100 as the hands are now.');
  const [low, high] = /held (\d+) to (\d+) times/
    .exec(target(start + 10, 30))!
    .slice(1)
    .map(Number);
  expect(low!).toBeLessThan(high!);
  expect(high!).toBeLessThanOrEqual(100);
});
