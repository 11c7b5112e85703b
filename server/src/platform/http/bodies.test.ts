import { checkDepth } from './bodies.ts';

const check = (text: string): void => checkDepth(Buffer.from(text));

it('a body as the contract has them is read, however long', () => {
  check(JSON.stringify({ lines: Array.from({ length: 1000 }, (_, i) => ({ text: `[{"${i}\\` })) }));
});

it('brackets in texts count for nothing', () => {
  check(JSON.stringify({ note: '['.repeat(1000) + '\\"' + '{'.repeat(1000) }));
});

it('one that is nested without end is refused', () => {
  expect(() => check('['.repeat(100_000))).toThrow(/nested too deeply/);
  expect(() => check('{"a":'.repeat(40))).toThrow(/nested too deeply/);
});
