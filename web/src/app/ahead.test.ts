/** @jest-environment jsdom */
import { jest } from '@jest/globals';
import { dropAhead } from '../data/asked-ahead.ts';
import { rememberHere, type Pages } from '../data/session/last-here.ts';

jest.unstable_mockModule('./signed-in.tsx', () => ({}));
jest.unstable_mockModule('./desk.tsx', () => ({}));
jest.unstable_mockModule('../features/today/today.tsx', () => ({}));
jest.unstable_mockModule('../features/floor/floor.tsx', () => ({}));

const SESSION_ID = '0b6d1c3e-8d0a-4f7e-9a55-0d8f6f0f7a12';
const asked: string[] = [];
let tellSession: (status: number, body?: object) => void;

/** Opens the page at an address on a device on which somebody was before. */
async function open(path: string, before: Pages | undefined): Promise<void> {
  window.history.replaceState({}, '', path);
  rememberHere(before);
  asked.length = 0;
  dropAhead();
  globalThis.fetch = ((at: string) => {
    asked.push(at);
    if (at !== '/api/session') return new Promise(() => undefined);
    return new Promise((resolve) => {
      tellSession = (status, body) =>
        resolve({
          ...{ ok: status < 300, status },
          clone: () => ({ ok: status < 300, json: () => Promise.resolve(body) }),
        });
    });
  }) as unknown as typeof fetch;
  jest.resetModules();
  await import('./ahead.ts');
}
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

it('where the staff was before, Today is asked for with the session', async () => {
  await open('/', 'club');
  expect(asked).toEqual(['/api/session', '/api/today', '/api/lifters?find=']);
});

it('on a new device, Today is asked for once it is known who is there', async () => {
  await open('/', undefined);
  expect(asked).toEqual(['/api/session']);
  tellSession(200, { account: { lifterId: null } });
  await settled();
  expect(asked).toEqual(['/api/session', '/api/today', '/api/lifters?find=']);
});

it('where nobody is signed in, or a lifter, nothing of the club is asked for', async () => {
  await open('/', undefined);
  tellSession(401);
  await settled();
  expect(asked).toEqual(['/api/session']);
  await open('/', 'own');
  tellSession(200, { account: { lifterId: 'somebody' } });
  await settled();
  expect(asked).toEqual(['/api/session']);
});

it('the floor is asked for at once whoever was there', async () => {
  for (const before of ['club', 'own'] as const) {
    await open(`/floor/${SESSION_ID}`, before);
    expect(asked).toEqual(['/api/session', `/api/sessions/${SESSION_ID}/floor`]);
  }
});
