import { RECEIPT_HEADER, type ErrorView, type SessionView } from '@iron-clasp/contract';
import { dropAhead, takeAhead, type Came } from './asked-ahead.ts';
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

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/** Asks the API; throws {@link ApiError} for anything but success. */
export async function ask<Answer>(
  method: Method,
  path: string,
  body?: unknown,
  patience = PATIENCE_MS,
  over?: AbortSignal,
): Promise<Answer> {
  const response = await reach(method, path, { body, patience, over });
  return response.status === 204 ? (undefined as Answer) : answerOf(response);
}

/** What a file may take on its way, ms. */
const FILE_PATIENCE_MS = 15 * 60_000;

/** A file that the server made. */
export interface TakenFile {
  readonly content: Blob;
  /** What deleting what is in it asks for. */
  readonly receipt: string;
}

/** Takes a file; throws {@link ApiError} for anything but success. */
export async function takeFile(path: string): Promise<TakenFile> {
  const response = await reach('GET', path, { patience: FILE_PATIENCE_MS });
  if (!response.ok) throw refused(response, await response.json().catch(() => undefined));
  const content = await response.blob().catch(() => {
    throw new ApiError(0, NO_CONNECTION);
  });
  return { content, receipt: response.headers.get(RECEIPT_HEADER) ?? '' };
}

/** Sends a file with what belongs to it. */
export async function sendFile<Answer>(
  path: string,
  form: Readonly<Record<string, string | File>>,
  headers?: Readonly<Record<string, string>>,
): Promise<Answer> {
  const body = new FormData();
  // What is said of the file goes before it.
  for (const [name, value] of Object.entries(form)) body.append(name, value);
  return answerOf(await reach('POST', path, { body, patience: FILE_PATIENCE_MS, headers }));
}

const NO_CONNECTION = {
  code: 'no-connection',
  message: 'No answer from the server. Check the connection; nothing you entered is lost.',
};

/** Whoever asked ended it themselves. */
const LET_GO = { code: 'let-go', message: 'Ended. Nothing was brought in.' };

async function reach(
  method: Method,
  path: string,
  {
    body,
    patience,
    headers,
    over,
  }: {
    body?: unknown;
    patience: number;
    headers?: Readonly<Record<string, string>> | undefined;
    over?: AbortSignal | undefined;
  },
): Promise<Response> {
  const file = body instanceof FormData;
  if (method !== 'GET') dropAhead();
  const send = async (): Promise<Came> => {
    const response = await fetch(`/api${path}`, {
      method,
      signal: over ? AbortSignal.any([over, AbortSignal.timeout(patience)]) : AbortSignal.timeout(patience),
      headers: {
        accept: 'application/json',
        // Of a form the browser says it itself, with what stands between its parts.
        ...(body !== undefined && !file && { 'content-type': 'application/json' }),
        ...(method !== 'GET' && { 'x-iron-clasp-token': changeToken }),
        ...headers,
      },
      ...(body !== undefined && { body: file ? body : JSON.stringify(body) }),
    });
    return { response, at: Date.now() };
  };
  const { response, at } = await ((method === 'GET' && takeAhead(path)) || send()).catch(() => {
    throw new ApiError(0, over?.aborted ? LET_GO : NO_CONNECTION);
  });
  setClockBy(response.headers.get('date'), at);
  return response;
}

async function answerOf<Answer>(response: Response): Promise<Answer> {
  const answer: unknown = await response.json().catch(() => undefined);
  if (response.ok && answer !== undefined) return answer as Answer;
  throw refused(response, answer);
}

function refused({ status }: Response, answer: unknown): ApiError {
  const error = (answer as ErrorView | undefined)?.error;
  return new ApiError(
    status,
    error ?? { code: 'unreadable', message: 'The server’s answer could not be read. Try again in a moment.' },
  );
}
