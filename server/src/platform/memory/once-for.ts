import { frozen } from './frozen.ts';

/** Works something out once for an object, and gives the same for as long as the object lives; a fault is not kept. */
export class OnceFor<Of extends object, Answer extends object> {
  readonly #known = new WeakMap<Of, Answer | Promise<Answer>>();

  of(object: Of, work: () => Answer): Answer {
    const known = this.#known.get(object) as Answer | undefined;
    if (known) return known;
    const answer = frozen(work());
    this.#known.set(object, answer);
    return answer;
  }

  later(object: Of, work: () => Promise<Answer>): Promise<Answer> {
    const known = this.#known.get(object) as Promise<Answer> | undefined;
    if (known) return known;
    const answer = work().then(frozen);
    this.#known.set(object, answer);
    answer.catch(() => this.#known.delete(object));
    return answer;
  }
}
