/** @jest-environment jsdom */
import { SOUND_HAND } from '@iron-clasp/core';
import { jest } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import { HandDrawing } from './hand-drawing.tsx';
import { HAND_BOX, HAND_SHAPES, ZONE_CENTRES } from './hand-shape.ts';
import { HAND_ZONES } from './hand-zones.ts';
import { HandsMark } from './hands-mark.tsx';

/** All coordinates that a path names with capital letters, or starts a curve at. */
const numbersOf = (d: string): number[] => (d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

it('every zone with a place is drawn, and its mark lies in the box', () => {
  const placed = HAND_ZONES.filter((zone) => zone !== 'pain' && zone !== 'nerves');
  for (const zone of placed) {
    expect(HAND_SHAPES.some((shape) => shape.zone === zone)).toBe(true);
    const [x, y] = ZONE_CENTRES[zone];
    expect(x).toBeGreaterThan(0);
    expect(x).toBeLessThan(HAND_BOX.width);
    expect(y).toBeGreaterThan(HAND_BOX.top);
    expect(y).toBeLessThan(HAND_BOX.top + HAND_BOX.height);
  }
  expect(HAND_SHAPES.filter(({ zone }) => zone === 'finger')).toHaveLength(4);
});

it('no outline leaves the box', () => {
  for (const { d } of HAND_SHAPES)
    for (const value of numbersOf(d)) {
      expect(value).toBeGreaterThanOrEqual(0);
      expect(value).toBeLessThanOrEqual(HAND_BOX.top + HAND_BOX.height);
    }
});

/** Corners of an outline of straight lines and bows, one after the other. */
function cornersOf(d: string): [x: number, y: number][] {
  const corners: [number, number][] = [];
  for (const [, step, said] of d.matchAll(/([MLQH])([^A-Z]*)/g)) {
    const values = numbersOf(said!);
    if (step === 'H') corners.push([values[0]!, corners.at(-1)![1]]);
    else for (let i = 0; i < values.length; i += 2) corners.push([values[i]!, values[i + 1]!]);
  }
  return corners;
}

it('all of a hand runs clockwise: filled as one, it has no holes', () => {
  for (const { zone, d } of HAND_SHAPES) {
    // A bow of a circle says itself which way it runs: 1 is clockwise.
    for (const [, sweep] of zone === 'thumbJoint' ? d.matchAll(/A\S+ \S+ \S+ \S+ (\d)/g) : [])
      expect(sweep).toBe('1');
    if (!['wrist', 'finger', 'thumb', 'palm'].includes(zone)) continue;
    const corners = cornersOf(d);
    const twice = corners.reduce((sum, [x, y], i) => {
      const [nextX, nextY] = corners[(i + 1) % corners.length]!;
      return sum + x * nextY - nextX * y;
    }, 0);
    expect([zone, twice > 0]).toEqual([zone, true]);
  }
});

it('a tap on any of the four fingers opens the fingers', () => {
  const chosen = jest.fn();
  render(<HandDrawing side="left" hand={SOUND_HAND} selected={null} onSelect={chosen} />);
  for (const title of screen.getAllByText('fingers: sound')) fireEvent.click(title.parentElement!);
  expect(chosen.mock.calls).toEqual([['finger'], ['finger'], ['finger'], ['finger']]);
});

it('a drawing of what was takes no tap', () => {
  const chosen = jest.fn();
  render(<HandDrawing side="right" hand={SOUND_HAND} selected={null} onSelect={chosen} still />);
  fireEvent.click(screen.getByText('palm skin: sound').parentElement!);
  expect(chosen).not.toHaveBeenCalled();
});

it('the small hands put a dot where something is, and a bar over a hand that stops', () => {
  const hands = { left: { ...SOUND_HAND, thumb: 'tender' as const }, right: SOUND_HAND };
  const { container, rerender } = render(<HandsMark hands={hands} looked />);
  const [dot, ...others] = container.querySelectorAll('circle');
  expect(others).toHaveLength(0);
  expect([dot!.getAttribute('cx'), dot!.getAttribute('cy')]).toEqual(ZONE_CENTRES.thumb.map(String));
  expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(/left.*tender/);
  rerender(<HandsMark hands={{ ...hands, left: { ...SOUND_HAND, palm: 'torn' } }} looked />);
  expect(container.querySelectorAll('circle')).toHaveLength(0);
  expect(container.querySelectorAll('path[stroke="var(--ground)"]')).toHaveLength(1);
});

it('hands that nobody has looked at are drawn with a broken line', () => {
  const { container } = render(<HandsMark hands={{ left: SOUND_HAND, right: SOUND_HAND }} looked={false} />);
  expect(container.querySelectorAll('path[stroke-dasharray]').length).toBeGreaterThan(0);
  expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(/nobody|not looked|never/i);
});
