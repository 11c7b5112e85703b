import { EMPTY_KIT, faultOf, heightsText, typedHeights } from './kit-draft.ts';

it('a new venue wants a name and nothing more', () => {
  expect(faultOf(EMPTY_KIT())).toEqual({
    path: 'kit.name',
    message: expect.stringMatching(/^Must be text of 1/),
  });
  expect(faultOf({ ...EMPTY_KIT(), name: 'Shed' })).toBeNull();
});

it('names the figure that is none, as typed', () => {
  const kit = EMPTY_KIT();
  const bars = [{ ...kit.bars[0]!, mass: Number.NaN }];
  expect(faultOf({ ...kit, name: 'Shed', bars })).toEqual({
    path: 'kit.bars[0].mass',
    message: 'Must be a number from 1 to 60.',
  });
});

it.each([
  ['500, 550, 600', [500, 550, 600]],
  ['500 550', [500, 550]],
  ['450 to 600 by 50', [450, 500, 550, 600]],
  ['450 to 460 by 2,5', [450, 452.5, 455, 457.5, 460]],
  ['', []],
])('pins typed as %j', (text, heights) => {
  expect(typedHeights(text)).toEqual(heights);
});

it('pins that cannot be are refused, not guessed', () => {
  expect(typedHeights('high')).toEqual([Number.NaN]);
  expect(typedHeights('900 to 500 by 50')).toEqual([Number.NaN]);
  expect(typedHeights('1 to 1000000 by 0.1')).toEqual([Number.NaN]);
});

it('written out and read again pins are the same', () => {
  for (const heights of [[], [500], [500, 550, 610], Array.from({ length: 18 }, (_, i) => 450 + 50 * i)])
    expect(typedHeights(heightsText(heights))).toEqual(heights);
});
