import type { SetCall } from '@iron-clasp/core';
import type { CallAgainAnswer, CallAgainBase, CallAgainQuestion } from './call-again.worker.ts';

/** What is asked of: a session called again with what is done today, in the words of {@link CallAgainQuestion}. */
type Question = string;

/** Where questions are answered: a worker, or what stands for one. */
export type Answering = Pick<Worker, 'addEventListener' | 'postMessage' | 'terminate'>;

/** Answers that are kept: the ways that a few sets can end. */
const KEPT = 40;

/**
 * A session called again off the main thread, one question after the other: what is shown comes first, and once that is there
 * what may be shown next, so that a tap is answered by what is known already.
 */
export class CallsAgain {
  #answers = new Map<Question, readonly SetCall[]>();
  /** What was answered from an older base: it stands until the same is answered from the new one. */
  #older: ReadonlyMap<Question, readonly SetCall[]> = new Map();
  readonly #listeners = new Set<() => void>();
  #worker: Answering | null = null;
  #left: Question[] = [];
  /** What the worker is at; an answer to anything else is late, and to something that no longer stands. */
  #at: { readonly number: number; readonly question: Question } | null = null;
  #number = 0;

  /** Starts to answer; what it returns ends it. */
  open(worker: Answering): () => void {
    this.#worker = worker;
    worker.addEventListener('message', ({ data }: MessageEvent<CallAgainAnswer>) => this.#hear(data));
    return () => {
      worker.terminate();
      this.#worker = null;
      this.#startAnew();
    };
  }

  /** What the session is called from: everything is asked anew. */
  tell(base: CallAgainBase['base']): void {
    this.#startAnew();
    this.#worker?.postMessage({ base } satisfies CallAgainBase);
  }

  /** Asks these, in this order, and nothing else that is still left; what is known is not asked again. */
  ask(questions: readonly Question[]): void {
    this.#left = questions.filter((each) => !this.#answers.has(each) && each !== this.#at?.question);
    this.#next();
  }

  answerTo(question: Question): readonly SetCall[] | undefined {
    return this.#answers.get(question) ?? this.#older.get(question);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  #next(): void {
    if (this.#at || !this.#worker) return;
    const question = this.#left.shift();
    if (question === undefined) return;
    this.#at = { number: ++this.#number, question };
    this.#worker.postMessage(this.#at satisfies CallAgainQuestion);
  }

  #hear({ number, calls }: CallAgainAnswer): void {
    if (number !== this.#at?.number) return;
    this.#answers.set(this.#at.question, calls);
    for (const oldest of this.#answers.keys()) {
      if (this.#answers.size <= KEPT) break;
      this.#answers.delete(oldest);
    }
    this.#at = null;
    for (const listener of this.#listeners) listener();
    this.#next();
  }

  #startAnew(): void {
    this.#older = this.#answers;
    this.#answers = new Map();
    this.#left = [];
    this.#at = null;
  }
}
