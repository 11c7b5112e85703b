import { inTurn, type Asking } from './one-at-a-time.ts';

/** A runner that says when each of its queries began and ended. */
function runner(): Asking & { readonly said: string[] } {
  const said: string[] = [];
  const query = async (words: string): Promise<unknown> => {
    said.push(`${words} begins`);
    await new Promise((resolve) => setImmediate(resolve));
    said.push(`${words} ends`);
    if (words === 'wrong') throw new Error('no such table');
    return words;
  };
  return { said, query: query as Asking['query'] };
}

it('asks one query after the other, in the order in which they came', async () => {
  const asked = inTurn(runner());
  expect(await Promise.all(['a', 'b', 'c'].map((words) => asked.query(words)))).toEqual(['a', 'b', 'c']);
  expect(asked.said).toEqual(['a begins', 'a ends', 'b begins', 'b ends', 'c begins', 'c ends']);
});

it('a query that fails fails by itself', async () => {
  const asked = inTurn(runner());
  const [wrong, right] = await Promise.allSettled([asked.query('wrong'), asked.query('right')]);
  expect(wrong).toMatchObject({ status: 'rejected', reason: { message: 'no such table' } });
  expect(right).toEqual({ status: 'fulfilled', value: 'right' });
});
