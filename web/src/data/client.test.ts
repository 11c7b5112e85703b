import { jest } from '@jest/globals';
import { ask, type ApiError } from './client.ts';

const real = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = real;
});
const answers = (body: string, status: number): void => {
  globalThis.fetch = jest.fn(() => Promise.resolve(new Response(body, { status })));
};
const fault = (): Promise<ApiError> =>
  ask('PUT', '/anything', {}).then(
    () => {
      throw new Error('It was taken for an answer.');
    },
    (error: ApiError) => error,
  );

it('a good answer that is cut off on its way refuses nothing: the same is sent again', async () => {
  answers('{"session":', 200);
  expect((await fault()).passing).toBe(true);
});

it.each([
  [400, false],
  [409, false],
  [429, true],
  [503, true],
])('an answer of %i may pass by itself: %s', async (status, passing) => {
  answers(JSON.stringify({ error: { code: 'some', message: 'Some.', fields: [] } }), status);
  expect((await fault()).passing).toBe(passing);
});
