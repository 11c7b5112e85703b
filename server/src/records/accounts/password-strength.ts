import type { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { invalid } from '../../platform/http/problem.ts';

/** From here on a password stands a guesser with a copy of its hash for long: 10^8 guesses and more. */
const STRONG_ENOUGH = 3;
/** What must be left of its strength once name, address and club are taken out: the judge counts those as two words. */
const STRONG_WITHOUT = 2;
/** Shorter words stand in any password, letters. */
const SHORTEST_WORD = 3;

let judge: Promise<ZxcvbnFactory> | undefined;
const judgeOf = (): Promise<ZxcvbnFactory> => (judge ??= makeJudge());

/** Read when the first password is chosen: the word lists are a third of the server's code. */
async function makeJudge(): Promise<ZxcvbnFactory> {
  const [{ ZxcvbnFactory }, common, english] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
    import('@zxcvbn-ts/language-en'),
  ]);
  return new ZxcvbnFactory({
    dictionary: { ...common.dictionary, ...english.dictionary },
    graphs: common.adjacencyGraphs,
    translations: english.translations,
  });
}

/**
 * Refuses a password that is soon guessed.
 * @param about what a guesser tries first: name, address, club.
 * @param field of the request that holds it.
 */
export async function checkStrength(
  password: string,
  about: readonly string[],
  field = 'password',
): Promise<void> {
  const judge = await judgeOf();
  const words = about
    .flatMap((each) => each.split(/[^\p{L}\p{N}]+/u))
    .filter((each) => each.length >= SHORTEST_WORD);
  const { score, feedback } = judge.check(password, words);
  const known = new RegExp(words.join('|') || '$^', 'giu');
  const rest = judge.check(password.replaceAll(known, '')).score;
  if (score >= STRONG_ENOUGH && rest >= STRONG_WITHOUT) return;
  const why =
    rest < STRONG_WITHOUT
      ? 'Little of it is not your name, address or club.'
      : (feedback.warning ?? feedback.suggestions[0] ?? 'Add another word or two.');
  throw invalid(
    field,
    `This password is soon guessed. ${why} Three or four words that have nothing to do with each other do well.`,
  );
}
