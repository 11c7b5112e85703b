import fc from 'fast-check';
import type { Queued } from './queue.ts';
import { sendInOrder, waitBeforeRound, type Fate } from './send-in-order.ts';

const entry = (id: string, scope: string): Queued => ({
  ...{ id, scope, accountId: 'a', method: 'DELETE', path: `/sets/${id}`, body: null },
});

/** A queue as the outbox is one, where each entry meets the fates given, one a try, the last one for ever. */
function queue(entries: readonly Queued[], fates: Readonly<Record<string, readonly Fate[]>>) {
  const tries = new Map<string, number>();
  const sent: string[] = [];
  let left = entries;
  return {
    sent,
    left: () => left.map(({ id }) => id),
    round: () =>
      sendInOrder(
        () => left,
        async ({ id }) => {
          const n = tries.get(id) ?? 0;
          tries.set(id, n + 1);
          sent.push(id);
          const own = fates[id] ?? ['kept'];
          const fate = own[Math.min(n, own.length - 1)]!;
          if (fate === 'kept' || fate === 'refused') left = left.filter((each) => each.id !== id);
          return fate;
        },
      ),
  };
}

it('sends everything, oldest first', async () => {
  const box = queue([entry('1', 's'), entry('2', 't'), entry('3', 's')], {});
  expect(await box.round()).toBe('done');
  expect(box.sent).toEqual(['1', '2', '3']);
});

it('an entry that cannot go now holds its own session back, and no other', async () => {
  const box = queue([entry('1', 's'), entry('2', 's'), entry('3', 't')], { '1': ['later', 'kept'] });
  expect(await box.round()).toBe('again');
  expect(box.sent).toEqual(['1', '3']);
  expect(await box.round()).toBe('done');
  expect(box.sent).toEqual(['1', '3', '1', '2']);
});

it('a refused entry holds nothing back', async () => {
  const box = queue([entry('1', 's'), entry('2', 's')], { '1': ['refused'] });
  expect(await box.round()).toBe('done');
  expect(box.sent).toEqual(['1', '2']);
});

it('without an answer nothing else is tried, nor for somebody who has to sign in', async () => {
  for (const fate of ['unreachable', 'signedOut'] as const) {
    const box = queue([entry('1', 's'), entry('2', 't')], { '1': [fate] });
    expect(await box.round()).toBe(fate === 'signedOut' ? 'signedOut' : 'again');
    expect(box.sent).toEqual(['1']);
  }
});

it('whatever happens, each session’s entries are kept in the order in which they were made', async () => {
  const fate = fc.constantFrom<Fate>('kept', 'later', 'unreachable', 'refused');
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record({ session: fc.constantFrom('s', 't', 'u'), fates: fc.array(fate, { maxLength: 4 }) }),
        {
          maxLength: 12,
        },
      ),
      async (drawn) => {
        const entries = drawn.map(({ session }, i) => entry(String(i), session));
        const box = queue(
          entries,
          Object.fromEntries(drawn.map(({ fates }, i) => [String(i), [...fates, 'kept' as const]])),
        );
        let rounds = 0;
        while ((await box.round()) !== 'done') expect(++rounds).toBeLessThan(100);
        expect(box.left()).toEqual([]);
        for (const session of ['s', 't', 'u']) {
          const own = entries.filter((each) => each.scope === session).map(({ id }) => id);
          // The last try of each is the one that settled it.
          const settled = own.map((id) => box.sent.lastIndexOf(id));
          expect(settled).toEqual([...settled].sort((a, b) => a - b));
        }
      },
    ),
  );
});

it('tries again soon, then less often, and never gives up', () => {
  expect([1, 2, 3, 4, 5, 50].map(waitBeforeRound)).toEqual([1_000, 2_000, 4_000, 8_000, 15_000, 15_000]);
});
