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

// Every test asks for something else: what was asked for once is known.
let path: string;
let number = 0;
beforeEach(() => {
  path = `/lifters/${++number}/sheet`;
});

it('what was asked ahead is the answer to the first who asks, and to nobody after', async () => {
  expect(await (await askAhead(path))!.json()).toEqual({ today: '2026-11-24' });
  expect(await ask('GET', path)).toEqual({ today: '2026-11-24' });
  expect(fetched).toHaveBeenCalledTimes(1);
  await ask('GET', path);
  expect(fetched).toHaveBeenCalledTimes(2);
});

it('it is no answer once it is old', async () => {
  await askAhead(path);
  now += 11_000;
  expect(takeAhead(path)).toBeUndefined();
});

it('it is no answer to a change of the same address, nor to anything once something was changed', async () => {
  await askAhead(path);
  await ask('PUT', path, {});
  expect(fetched).toHaveBeenCalledTimes(2);
  await ask('GET', path);
  expect(fetched).toHaveBeenCalledTimes(3);
});

it('what the application asked for before is not asked a second time, to be its answer later', async () => {
  await ask('GET', path);
  expect(await askAhead(path)).toBeUndefined();
  expect(fetched).toHaveBeenCalledTimes(1);
});

it('where no answer came, whoever asks is told as if they had asked themselves', async () => {
  fetched.mockImplementationOnce(() => Promise.reject(new TypeError('offline')));
  expect(await askAhead(path)).toBeUndefined();
  await expect(ask('GET', path)).rejects.toMatchObject({ code: 'no-connection', passing: true });
});
