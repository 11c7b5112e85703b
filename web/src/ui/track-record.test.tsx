/** @jest-environment jsdom */
import './component.test-helper.ts';
import type { BackTestReading } from '@iron-clasp/core';
import { render, screen } from '@testing-library/react';
import { TrackRecord } from './track-record.tsx';

const READING: BackTestReading = {
  ...{ weeks: 26, trials: 752, said: 0.901, held: 0.914, brier: 0.035, usual: 0.079 },
  ...{ early: 0.04, coverage: null, verdict: 'sound' },
  tenths: [
    { said: 0.46, held: { value: 0.75, low: 0.57, high: 0.9 }, trials: 9 },
    { said: 0.99, held: { value: 0.99, low: 0.98, high: 1 }, trials: 615 },
  ],
};
const show = (more: Partial<BackTestReading> = {}): void =>
  void render(<TrackRecord reading={{ ...READING, ...more }} />);

it('says what was expected, what happened, and how it compares with the usual share', () => {
  show();
  expect(screen.getByText(/752 sets and holds it expected 90\.1\s%/)).toBeTruthy();
  expect(screen.getByText(/Better than always saying.*0\.035 against 0\.079/)).toBeTruthy();
  expect(screen.getByText(/4\s% slipped sooner than one in ten should; no more than said/)).toBeTruthy();
  expect(screen.getByText('Not known yet: too few were held to their very end.')).toBeTruthy();
});

it.each([
  ['sound', 'The chances can be taken as they are said.'],
  ['cautious', 'The hands held more than was said: the chances err on the safe side.'],
  ['hopeful', 'The hands held less than was said: ask for a little less than the chances allow.'],
] as const)('judged %s, it says what to do with the chances', (verdict, words) => {
  show({ verdict });
  expect(screen.getByText(words)).toBeTruthy();
});

it('judges nothing of a few trials, and draws nothing', () => {
  show({ verdict: 'tooFew', trials: 1 });
  expect(screen.getByText(/has foretold 1 set or hold so far, and is judged from 20 on/)).toBeTruthy();
  expect(screen.queryByRole('img')).toBeNull();
});

it('says it where it is no better than the usual share, and more early slips than said', () => {
  show({ brier: 0.02, usual: 0.01, early: 0.22 });
  expect(screen.getByText(/No better than always saying/)).toBeTruthy();
  expect(screen.getByText(/22\s% slipped sooner than one in ten should; more than said/)).toBeTruthy();
});

it('every row of the drawing is read as a table too', () => {
  show();
  expect(screen.getAllByRole('row', { hidden: true })).toHaveLength(3);
  expect(screen.getByRole('cell', { name: '615', hidden: true })).toBeTruthy();
});
