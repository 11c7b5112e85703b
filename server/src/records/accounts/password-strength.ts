import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import * as english from '@zxcvbn-ts/language-en';
import { invalid } from '../../platform/http/problem.ts';

/** From here on a password stands a guesser with a copy of its hash for long: 10^8 guesses and more. */
const STRONG_ENOUGH = 3;
/** What must be left of its strength once name, address and club are taken out: the judge counts those as two words. */
const STRONG_WITHOUT = 2;
/** Shorter words stand in any password, letters. */
const SHORTEST_WORD = 3;

let judge: ZxcvbnFactory | undefined;
/** Made when the first password is chosen: the word lists are large. */
const judgeOf = (): ZxcvbnFactory =>
  (judge ??= new ZxcvbnFactory({
    dictionary: { ...common.dictionary, ...english.dictionary },
    graphs: common.adjacencyGraphs,
    translations: english.translations,
  }));

/**
 * Refuses a password that is soon guessed.
 * @param about what a guesser tries first: name, address, club.
 * @param field of the request that holds it.
 */
export function checkStrength(password: string, about: readonly string[], field = 'password'): void {
  const words = about
    .flatMap((each) => each.split(/[^\p{L}\p{N}]+/u))
    .filter((each) => each.length >= SHORTEST_WORD);
  const { score, feedback } = judgeOf().check(password, words);
  const known = new RegExp(words.join('|') || '$^', 'giu');
  const rest = judgeOf().check(password.replaceAll(known, '')).score;
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
