import { isDatabaseGone } from './database-gone.ts';

const withCode = (code: string): Error => Object.assign(new Error('x'), { code });

describe('isDatabaseGone', () => {
  it.each([
    ['refused connections', withCode('ECONNREFUSED')],
    ['an administrator’s shutdown', withCode('57P01')],
    ['too many connections', withCode('53300')],
    ['a cut connection', new Error('Connection terminated unexpectedly')],
    [
      'one refused address among several',
      Object.assign(new Error('x'), { errors: [withCode('ECONNREFUSED')] }),
    ],
    [
      'a driver’s error in its wrapping',
      Object.assign(new Error('query failed'), { driverError: withCode('57P03') }),
    ],
  ])('%s', (_what, error) => expect(isDatabaseGone(error)).toBe(true));

  it.each([
    ['a broken rule of the schema', withCode('23505')],
    ['a fault of ours', new TypeError('x is undefined')],
    ['no error at all', 'ECONNREFUSED'],
  ])('not %s', (_what, thrown) => expect(isDatabaseGone(thrown)).toBe(false));
});
