import { backTest, fitMovingCurve } from '@iron-clasp/core';

/** What is worked out beside the server, by its name. This file is all that a thread loads. */
const JOBS = { fitMovingCurve, backTest } as const;
type Jobs = typeof JOBS;
export type Job = keyof Jobs;
export type Asked<Name extends Job> = Parameters<Jobs[Name]>;
export type Found<Name extends Job> = ReturnType<Jobs[Name]>;

export interface Question {
  readonly number: number;
  readonly job: Job;
  readonly args: readonly unknown[];
}

export interface Answer {
  readonly number: number;
  readonly found?: unknown;
  /** Why it could not be worked out. */
  readonly fault?: string;
}

export function workOut({ job, args }: Pick<Question, 'job' | 'args'>): unknown {
  return (JOBS[job] as (...given: readonly unknown[]) => unknown)(...args);
}
