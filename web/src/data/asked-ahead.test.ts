import { jest } from '@jest/globals';
import { askAhead, takeAhead } from './asked-ahead.ts';
import { ask } from './client.ts';

const real = globalThis.fetch;
let now = 1_000_000;
const fetched = jest.fn((_path: string) => Promise.resolve(new Response('{"today":"2026-11-24"}')));
beforeEach(() => {
  globalThis.fetch = fetched as unknown as typeof fetch;
  jest.spyOn(Date, 'now').mockImplementation(() => now);
});
afterEach(() => {
  globalThis.fetch = real;
  jest.restoreAllMocks();
  fetched.mockClear();
});

it('what was asked ahead is the answer to the first who asks, and to nobody after', async () => {
  expect(await (await askAhead('/today'))!.json()).toEqual({ today: '2026-11-24' });
  expect(await ask('GET', '/today')).toEqual({ today: '2026-11-24' });
  expect(fetched).toHaveBeenCalledTimes(1);
  await ask('GET', '/today');
  expect(fetched).toHaveBeenCalledTimes(2);
});

it('it is no answer once it is old, nor to a change of the same address', async () => {
  await askAhead('/today');
  await ask('PUT', '/today', {});
  expect(fetched).toHaveBeenCalledTimes(2);
  now += 11_000;
  expect(takeAhead('/today')).toBeUndefined();
});

it('where no answer came, whoever asks is told as if they had asked themselves', async () => {
  fetched.mockImplementationOnce(() => Promise.reject(new TypeError('offline')));
  expect(await askAhead('/today')).toBeUndefined();
  await expect(ask('GET', '/today')).rejects.toMatchObject({ code: 'no-connection', passing: true });
});
