import { readFileSync } from 'node:fs';
import { SCREENS, LIFTER_SCREENS } from '../features/command/screens.ts';
import { guideAt } from '../features/guide/guide-at.ts';

/** The parts of the guide, by the ids that the build gives them. */
const parts = readFileSync(new URL('../../../docs/guide.md', import.meta.url), 'utf8')
  .split(/^## /m)
  .slice(1)
  .map((part) =>
    part
      .split('\n')[0]!
      .toLowerCase()
      .replace(/[^a-z]+/g, '-'),
  );

it.each([...SCREENS.map(([address]) => address), ...LIFTER_SCREENS.map(([end]) => `/lifters/0-0/${end}`)])(
  'from %s the guide opens at a part that it has',
  (address) => {
    expect(parts).toContain(guideAt(address).replace('/guide#', ''));
  },
);

it.each([
  ['/', '/guide#today'],
  ['/lifters/1/program', '/guide#the-week'],
  ['/lifters/1/calls/2', '/guide#reading-the-calls'],
  ['/floor/1', '/guide#on-the-floor'],
])('from %s at %s', (address, guide) => {
  expect(guideAt(address)).toBe(guide);
});
