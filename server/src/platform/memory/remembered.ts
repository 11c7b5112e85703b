import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';

/**
 * What was worked out from the same figures before is not worked out again. For pure functions of plain data only: an answer is
 * known by the whole question, so that none is ever given to another.
 */
export class Remembered<Question, Answer extends object> {
  readonly #answers: LRUCache<string, Answer>;
  readonly #work: (question: Question) => Answer;

  constructor(work: (question: Question) => Answer, { max }: { readonly max: number }) {
    this.#work = work;
    this.#answers = new LRUCache({ max });
  }

  of(question: Question): Answer {
    const key = createHash('sha1').update(JSON.stringify(question)).digest('base64');
    const known = this.#answers.get(key);
    if (known) return known;
    const answer = this.#work(question);
    this.#answers.set(key, answer);
    return answer;
  }
}
