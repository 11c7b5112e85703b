import { parentPort } from 'node:worker_threads';
import { JOBS, type Answer, type Question } from './fit-worker.ts';

/* Works curves out beside the server, so that nobody on the floor waits while three years of a log are searched. */
parentPort!.on('message', ({ number, job, args }: Question) => {
  parentPort!.postMessage(
    answerTo(number, () => (JOBS[job] as (...given: readonly unknown[]) => unknown)(...args)),
  );
});

/** One log that cannot be used must not end what others wait for. */
function answerTo(number: number, work: () => unknown): Answer {
  try {
    return { number, found: work() };
  } catch (error) {
    return { number, fault: String(error) };
  }
}
