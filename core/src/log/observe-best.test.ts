import { usualHookStage } from './observe-best.ts';

it.each([
  ['powerlifting', 'notSaid', 'none'],
  ['powerlifting', 'mixed', 'none'],
  ['powerlifting', 'hook', 'carry'],
  ['strongman', 'hook', 'carry'],
  ['weightlifting', 'notSaid', 'settled'],
  ['weightlifting', 'straps', 'settled'],
] as const)('of %s whose best was %s the hook is taken to be “%s”', (sport, pulled, stage) => {
  expect(usualHookStage({ sport, pulled })).toBe(stage);
});
