import type { ErrorView, SessionView } from '@iron-clasp/contract';
import { setClockBy } from './clock.ts';

/** A refusal or failure of the server, or of the way to it; its message is fit to be shown. */
export class ApiError extends Error {
  readonly code: string;
  /** HTTP status, or 0 where no answer came. */
  readonly status: number;
  readonly fields: NonNullable<ErrorView['error']['fields']>;
  /** What is there already, where two devices logged the same set. */
  readonly other: ErrorView['error']['other'];

  constructor(status: number, error: ErrorView['error']) {
    super(error.message);
    this.status = status;
    this.code = error.code;
    this.fields = error.fields ?? [];
    this.other = error.other;
  }

  /** True where trying the same again later may well succeed; a good answer that was cut off has refused nothing. */
  get passing(): boolean {
    return this.status < 400 || this.status >= 500 || this.status === 429;
  }
}

/** Was it refused since somebody else changed the same meanwhile? */
export const isStale = (error: unknown): boolean =>
  error instanceof ApiError && error.code === 'changed-meanwhile';

let changeToken = '';

/** Remembers the token that changes must carry. */
export function rememberToken(session: SessionView): void {
  changeToken = session.token;
}

const PATIENCE_MS = 15_000;

/** Asks the API; throws {@link ApiError} for anything but success. */
export async function ask<Answer>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
  patience = PATIENCE_MS,
): Promise<Answer> {
  const response = await fetch(`/api${path}`, {
    method,
    signal: AbortSignal.timeout(patience),
    headers: {
      accept: 'application/json',
      ...(body !== undefined && { 'content-type': 'application/json' }),
      ...(method !== 'GET' && { 'x-iron-clasp-token': changeToken }),
    },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  }).catch(() => {
    throw new ApiError(0, {
      code: 'no-connection',
      message: 'No answer from the server. Check the connection; nothing you entered is lost.',
    });
  });
  setClockBy(response.headers.get('date'), Date.now());
  if (response.status === 204) return undefined as Answer;
  const answer: unknown = await response.json().catch(() => undefined);
  if (response.ok && answer !== undefined) return answer as Answer;
  const error = (answer as ErrorView | undefined)?.error;
  throw new ApiError(
    response.status,
    error ?? { code: 'unreadable', message: 'The server’s answer could not be read. Try again in a moment.' },
  );
}
