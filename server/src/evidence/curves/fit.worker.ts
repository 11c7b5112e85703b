import { constants, setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';
import { workOut, type Answer, type Question } from './fit-jobs.ts';

/* Works curves out beside the server, so that nobody on the floor waits while three years of a log are searched. */

// Where every core is busy the floor comes first. Linux takes it of this thread alone; elsewhere it would slow the whole server.
if (process.platform === 'linux') setPriority(0, constants.priority.PRIORITY_BELOW_NORMAL);

parentPort!.on('message', (question: Question) => parentPort!.postMessage(answerTo(question)));

/** One log that cannot be used must not end what others wait for. */
function answerTo(question: Question): Answer {
  const { number } = question;
  try {
    return { number, found: workOut(question) };
  } catch (error) {
    return { number, fault: String(error) };
  }
}
