import { MinuteLimit } from '../src/platform/access/minute-limit.ts';
import { startApi, type Api } from './api.test-helper.ts';

let api: Api;
beforeAll(async () => {
  api = await startApi();
});
afterAll(() => api.close());

it('is one bound for all processes, each who asks and each thing asked apart', async () => {
  const limit = (name: string): MinuteLimit =>
    new MinuteLimit(api.db, name, 3, ['too-many-reads', 'Wait a moment.']);
  const [one, other] = [limit('reads'), limit('reads')];
  await one.count('a');
  await Promise.all([one.count('a'), other.count('a')]);
  const refusal = { status: 429, code: 'too-many-reads', message: 'Wait a moment.' };
  await expect(other.count('a')).rejects.toMatchObject(refusal);
  await expect(one.count('a')).rejects.toMatchObject(refusal);
  await other.count('b');
  await limit('other').count('a');
});
