/** @jest-environment jsdom */
import { jest } from '@jest/globals';
import { QueryClient } from '@tanstack/react-query';
import { keys } from '../data/keys.ts';
import { firstAnswers } from './first-answers.ts';

const asked: string[] = [];
/** What the server says, by path; a path that is not here is never answered. */
let answers: Record<string, object>;
beforeEach(() => {
  asked.length = 0;
  globalThis.fetch = ((path: string) => {
    asked.push(path);
    const body = answers[path];
    return body === undefined
      ? new Promise(() => undefined)
      : Promise.resolve({
          ...{ ok: true, status: 200, headers: new Headers() },
          json: () => Promise.resolve(body),
        });
  }) as unknown as typeof fetch;
});
afterEach(() => jest.useRealTimers());

const session = (lifterId: string | null): object => ({ token: 'told', account: { lifterId } });
const at = (path: string): void => window.history.replaceState({}, '', path);

it('Today is drawn with who trains and with the rack', async () => {
  at('/');
  const day = { today: '2026-11-24' };
  answers = {
    ...{ '/api/session': session(null), '/api/today': day },
    '/api/lifters?find=': { lifters: [], next: null },
  };
  const client = new QueryClient();
  await firstAnswers(client);
  expect(client.getQueryData(keys.club('day'))).toEqual(day);
  expect(client.getQueryData(keys.club('rack', ''))).toMatchObject({ pages: [{ lifters: [] }] });
});

it('a sheet is drawn with its lifter, and nothing of Today is asked for', async () => {
  const id = '0b6d1c3e-8d0a-4f7e-9a55-0d8f6f0f7a11';
  at(`/lifters/${id}/curve`);
  answers = {
    ...{ '/api/session': session(null), [`/api/lifters/${id}/sheet`]: { lifter: { id } } },
    '/api/lifters?find=': { lifters: [], next: null },
  };
  const client = new QueryClient();
  await firstAnswers(client);
  expect(client.getQueryData(keys.lifter(id, 'sheet'))).toEqual({ lifter: { id } });
  expect(asked).not.toContain('/api/today');
});

it('the floor is drawn with its first lane, for a lifter too', async () => {
  const id = '0b6d1c3e-8d0a-4f7e-9a55-0d8f6f0f7a12';
  at(`/floor/${id},0b6d1c3e-8d0a-4f7e-9a55-0d8f6f0f7a13`);
  answers = { '/api/session': session('somebody'), [`/api/sessions/${id}/floor`]: { finished: false } };
  const client = new QueryClient();
  await firstAnswers(client);
  expect(client.getQueryData(keys.training(id, 'floor'))).toEqual({ finished: false });
  expect(asked).toEqual(['/api/session', `/api/sessions/${id}/floor`]);
});

it('a lifter is asked nothing of the club, and a page that nobody signs in to nothing at all', async () => {
  at('/');
  answers = { '/api/session': session('somebody') };
  await firstAnswers(new QueryClient());
  expect(asked).toEqual(['/api/session']);
  at('/sign-in');
  await firstAnswers(new QueryClient());
  expect(asked).toEqual(['/api/session']);
});

it('no page waits for long: what does not come is drawn when it does', async () => {
  jest.useFakeTimers();
  at('/');
  answers = {};
  const settled = jest.fn();
  void firstAnswers(new QueryClient()).then(settled);
  await jest.advanceTimersByTimeAsync(299);
  expect(settled).not.toHaveBeenCalled();
  await jest.advanceTimersByTimeAsync(1);
  expect(settled).toHaveBeenCalledTimes(1);
});
