import { sayCall } from './say-call.ts';

type Said = Parameters<typeof sayCall>[0];
const call = (more: object): Said =>
  ({
    choice: 'mixed',
    sideUnder: 'left',
    chalk: { kind: 'block', where: [] },
    verdict: 'called',
    ...more,
  }) as Said;
const said = (more: object): string => sayCall(call(more));

it('a call is read as one would say it across a gym', () => {
  expect(said({})).toBe('mixed, left under, block chalk');
  expect(said({ chalk: { kind: 'none', where: [] } })).toBe('mixed, left under');
  expect(
    said({
      choice: 'hook',
      sideUnder: undefined,
      chalk: { kind: 'liquid', where: ['outer side of the thumb'] },
    }),
  ).toBe('hook, liquid chalk, outer thumb too');
  const strapped = (turns: number): string =>
    said({
      choice: 'straps',
      sideUnder: undefined,
      straps: { type: 'loop', turns },
      chalk: { kind: 'none', where: [] },
    });
  expect(strapped(1)).toBe('straps, loop, 1 turn');
  expect(strapped(3)).toBe('straps, loop, 3 turns');
  expect(said({ onlyHand: 'right' })).toBe('mixed, right hand only, left under, block chalk');
});

it('what needs no grip, what is left out and what is done lighter are said so', () => {
  expect(said({ choice: null, verdict: 'free' })).toBe('no grip call');
  expect(said({ choice: null, verdict: 'free', onlyHand: 'left' })).toBe('no grip call, left hand only');
  expect(said({ choice: null, verdict: 'stop' })).toBe('leave it out');
  expect(said({ choice: null, verdict: 'stop', lighterLoad: 60 })).toBe('only lighter');
});

it.each([
  ['a grip that there is not', { choice: 'claw' }, 'call.choice'],
  ['chalk that there is not', { chalk: { kind: 'dust', where: [] } }, 'call.chalk'],
  ['straps of no kind', { straps: { type: 'rope', turns: 2 } }, 'call.straps'],
  ['straps without a turn', { straps: { type: 'loop', turns: 0 } }, 'call.straps'],
  ['a third hand', { onlyHand: 'both' }, 'call.onlyHand'],
])('%s is refused by its name', (_, more, field) => {
  expect(() => said(more)).toThrow(expect.objectContaining({ field: expect.stringContaining(field) }));
});

it('where nothing is gripped nobody asks for chalk', () => {
  expect(said({ choice: null, verdict: 'free', chalk: undefined })).toBe('no grip call');
});
