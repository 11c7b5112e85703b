import { Problem } from '../../platform/http/problem.ts';
import { LoggedAlready } from '../../records/log/log.service.ts';
import { loggedSet } from '../calls/call-views.ts';

/** Another device was faster with the same set: the answer shows its entry, so that a person can choose. */
export function loggedElsewhere(thrown: unknown): never {
  if (!(thrown instanceof LoggedAlready)) throw thrown;
  throw new Problem(409, thrown.code, thrown.message, undefined, loggedSet(thrown.entry));
}
