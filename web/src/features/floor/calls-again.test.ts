import { jest } from '@jest/globals';
import type { SetCall } from '@iron-clasp/core';
import { CallsAgain } from './calls-again.ts';
import type { CallAgainBase, CallAgainQuestion } from './call-again.worker.ts';

const calls = (name: string): SetCall[] => [{ choice: name } as unknown as SetCall];
const BASE = {} as CallAgainBase['base'];

/** A worker that answers when it is told to. */
class Slow extends EventTarget {
  readonly asked: CallAgainQuestion[] = [];
  ended = false;

  postMessage(message: CallAgainBase | CallAgainQuestion): void {
    if (!('base' in message)) this.asked.push(message);
  }

  terminate(): void {
    this.ended = true;
  }

  /** Answers the question that it was asked last, or the one before. */
  answer(name: string, { number } = this.asked.at(-1)!): void {
    this.dispatchEvent(new MessageEvent('message', { data: { number, calls: calls(name) } }));
  }

  get questions(): string[] {
    return this.asked.map(({ question }) => question);
  }
}

let worker: Slow;
let again: CallsAgain;
let close: () => void;
beforeEach(() => {
  worker = new Slow();
  again = new CallsAgain();
  close = again.open(worker);
  again.tell(BASE);
});

it('asks one question after the other, and keeps what was answered', () => {
  again.ask(['now', 'slip at 1', 'slip at 2']);
  expect(worker.questions).toEqual(['now']);
  worker.answer('hook');
  expect(worker.questions).toEqual(['now', 'slip at 1']);
  worker.answer('mixed');
  expect(again.answerTo('now')).toEqual(calls('hook'));
  expect(again.answerTo('slip at 1')).toEqual(calls('mixed'));
  expect(again.answerTo('slip at 2')).toBeUndefined();
});

it('puts what is shown before what may come, and asks nothing twice', () => {
  again.ask(['now', 'slip at 1', 'slip at 2']);
  worker.answer('hook');
  // While the first slip is worked out, the set is done.
  again.ask(['next', 'slip at 1']);
  worker.answer('mixed');
  worker.answer('straps');
  expect(worker.questions).toEqual(['now', 'slip at 1', 'next']);
  again.ask(['now', 'next']);
  expect(worker.questions).toHaveLength(3);
});

it('tells whoever shows them that calls have come', () => {
  const heard = jest.fn();
  const leave = again.subscribe(heard);
  again.ask(['now', 'next']);
  worker.answer('hook');
  expect(heard).toHaveBeenCalledTimes(1);
  leave();
  worker.answer('mixed');
  expect(heard).toHaveBeenCalledTimes(1);
});

it('from a new base everything is asked anew: what was answered stands meanwhile, and late answers are none', () => {
  again.ask(['now']);
  worker.answer('hook');
  again.ask(['next']);
  const late = worker.asked.at(-1)!;
  again.tell(BASE);
  worker.answer('mixed', late);
  expect(again.answerTo('next')).toBeUndefined();
  expect(again.answerTo('now')).toEqual(calls('hook'));
  again.ask(['now']);
  worker.answer('straps');
  expect(again.answerTo('now')).toEqual(calls('straps'));
});

it('keeps the latest answers, not all of a long day', () => {
  for (let i = 0; i < 60; i++) {
    again.ask([`${i}`]);
    worker.answer('hook');
  }
  expect(again.answerTo('0')).toBeUndefined();
  expect(again.answerTo('59')).toEqual(calls('hook'));
});

it('ends its worker, and asks nobody after', () => {
  close();
  expect(worker.ended).toBe(true);
  again.ask(['now']);
  expect(worker.questions).toEqual([]);
});
