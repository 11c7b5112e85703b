import { HttpException } from '@nestjs/common';
import type { LoggedSetView } from '@iron-clasp/contract';

/** A refusal with a stable code and a message for a person: what happened, what was kept, what to do. */
export class Problem extends HttpException {
  readonly code: string;
  readonly fields?: readonly { path: string; message: string }[];
  /** What is there already, where two devices logged the same set. */
  readonly other?: LoggedSetView;

  constructor(
    status: number,
    code: string,
    message: string,
    fields?: readonly { path: string; message: string }[],
    other?: LoggedSetView,
  ) {
    super(message, status);
    this.code = code;
    if (fields) this.fields = fields;
    if (other) this.other = other;
  }
}

export const notFound = (what: string): Problem =>
  new Problem(
    404,
    'not-found',
    `This ${what} is not in your club, or is no longer there. Go back to the rack and open it afresh.`,
  );

/** One field that cannot be used, with what to do about it. */
export function invalid(path: string, message: string): Problem {
  return new Problem(400, 'invalid-input', message, [{ path, message }]);
}

/** The same client-made id was sent before with other content: what came first stays. */
export const differsFromKept = (what: string): Problem =>
  new Problem(
    409,
    'kept-differently',
    `Another ${what} is already kept under this entry. The first one was kept; reload to see it.`,
  );

/** Somebody was faster: nothing is overwritten unseen. */
export const changedMeanwhile = (what: string): Problem =>
  new Problem(
    409,
    'changed-meanwhile',
    `This ${what} was changed since the page was opened. Nothing of yours was saved or lost: look at the other version, then save again.`,
  );
