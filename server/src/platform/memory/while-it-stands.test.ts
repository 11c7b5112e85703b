import { WhileItStands } from './while-it-stands.ts';

const counted = (): { work: () => Promise<{ at: number[] }>; times: () => number } => {
  let times = 0;
  return { work: () => Promise.resolve({ at: [++times] }), times: () => times };
};

it('works out once while it stands, for all who ask at once, and again when it has changed', async () => {
  const kept = new WhileItStands({ max: 9 });
  const { work, times } = counted();
  const [one, other] = await Promise.all([kept.of('rack', '1', work), kept.of('rack', '1', work)]);
  expect(other).toBe(one);
  expect(times()).toBe(1);
  expect(await kept.of('rack', '2', work)).toEqual({ at: [2] });
  expect(await kept.of('log', '2', work)).toEqual({ at: [3] });
});

it('lets nobody alter what is given to all', async () => {
  const answer = await new WhileItStands({ max: 9 }).of('rack', '1', counted().work);
  expect(() => answer.at.push(7)).toThrow(TypeError);
});

it('keeps no fault: whoever asks next tries again', async () => {
  const kept = new WhileItStands({ max: 9 });
  await expect(kept.of('rack', '1', () => Promise.reject(new Error('away')))).rejects.toThrow('away');
  expect(await kept.of('rack', '1', () => Promise.resolve('here'))).toBe('here');
});

it('forgets what was asked for longest ago', async () => {
  const kept = new WhileItStands({ max: 1 });
  const { work, times } = counted();
  await kept.of('rack', '1', work);
  await kept.of('log', '1', work);
  await kept.of('rack', '1', work);
  expect(times()).toBe(3);
});
