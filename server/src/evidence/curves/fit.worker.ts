import { parentPort } from 'node:worker_threads';
import { fitMovingCurve } from '@iron-clasp/core';
import type { FitAnswer, FitQuestion } from './fit-worker.ts';

/* Fits curves beside the server, so that nobody on the floor waits while three years of a log are searched. */
parentPort!.on('message', ({ number, observations, options }: FitQuestion) => {
  const answer: FitAnswer = { number, curve: fitMovingCurve(observations, options) };
  parentPort!.postMessage(answer);
});
