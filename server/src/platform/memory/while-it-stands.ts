import { LRUCache } from 'lru-cache';
import { frozen } from './frozen.ts';

/**
 * Answers that are good for as long as what they rest on stands. Each is known by its name and by how that stood before it was
 * worked out; it is given to all who ask, and nobody may alter it. The longest unasked go first.
 */
export class WhileItStands {
  readonly #answers: LRUCache<string, { readonly stand: string; readonly answer: Promise<unknown> }>;

  constructor({ max }: { readonly max: number }) {
    this.#answers = new LRUCache({ max });
  }

  of<Answer>(name: string, stand: string, work: () => Promise<Answer>): Promise<Answer> {
    const known = this.#answers.get(name);
    if (known?.stand === stand) return known.answer as Promise<Answer>;
    const answer = work().then(frozen);
    this.#answers.set(name, { stand, answer });
    // A fault is not kept: whoever asks next tries again.
    answer.catch(() => this.#answers.get(name)?.answer === answer && this.#answers.delete(name));
    return answer;
  }
}
