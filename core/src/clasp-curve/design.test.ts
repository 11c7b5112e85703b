import { InvalidInputError } from '../errors.ts';
import { effectSizes, presentEffects } from './design.ts';

const NONE = {
  mixed: 0,
  hook: 0,
  noChalk: 0,
  liquidChalk: 0,
  behindBack: 0,
  supinated: 0,
  extraDiameterMm: 0,
  earlierHolds: 0,
  leftHand: 0,
  rightHand: 0,
  sweat: 0,
};

describe('effectSizes', () => {
  it('is nothing under the base conditions, said or left out', () => {
    expect(effectSizes({})).toEqual(NONE);
    expect(
      effectSizes({
        grip: 'doubleOverhand',
        chalk: 'block',
        position: 'front',
        diameter: 28.5,
        earlierHolds: 0,
      }),
    ).toEqual(NONE);
  });

  it.each([
    [{ grip: 'mixed' }, { mixed: 1 }],
    [{ grip: 'hook' }, { hook: 1 }],
    [{ chalk: 'none' }, { noChalk: 1 }],
    [{ chalk: 'liquid' }, { liquidChalk: 1 }],
    [{ position: 'behindBack' }, { behindBack: 1 }],
    [{ position: 'supinated' }, { supinated: 1 }],
    [{ diameter: 50.5 }, { extraDiameterMm: 22 }],
    [{ diameter: 25 }, { extraDiameterMm: -3.5 }],
    [{ earlierHolds: 2 }, { earlierHolds: 2 }],
    [{ hand: 'left' }, { leftHand: 1 }],
    [{ hand: 'right' }, { rightHand: 1 }],
    [{ sweat: true }, { sweat: 1 }],
  ] as const)('%j', (conditions, expected) =>
    expect(effectSizes(conditions)).toEqual({ ...NONE, ...expected }),
  );

  it.each([
    [{ grip: 'thumbless' }, 'hold.grip'],
    [{ chalk: 'powder' }, 'hold.chalk'],
    [{ position: 'overhead' }, 'hold.position'],
    [{ diameter: 0 }, 'hold.diameter'],
    [{ diameter: Number.NaN }, 'hold.diameter'],
    [{ diameter: 201 }, 'hold.diameter'],
    [{ earlierHolds: -1 }, 'hold.earlierHolds'],
    [{ earlierHolds: '1' }, 'hold.earlierHolds'],
    [{ hand: 'third' }, 'hold.hand'],
    [{ sweat: 'much' }, 'hold.sweat'],
  ])('refuses %j by name', (conditions, field) => {
    const check = (): unknown => effectSizes(conditions as Parameters<typeof effectSizes>[0], 'hold');
    expect(check).toThrow(InvalidInputError);
    expect(check).toThrow(expect.objectContaining({ field }));
  });

  it('knows which effects a log holds', () => {
    expect(
      presentEffects([effectSizes({}), effectSizes({ grip: 'hook' }), effectSizes({ chalk: 'none' })]),
    ).toEqual(['hook', 'noChalk']);
    expect(presentEffects([])).toEqual([]);
  });
});
