import { json, type NextFunction, type Request, type Response } from 'express';
import { Problem } from './problem.ts';

/** Force traces are long: four minutes at 80 Hz, and more where a device is faster. Nothing else is. */
const TRACE_LIMIT = '4mb';
/** A table of past training: 50,000 rows of words. */
const TABLE_LIMIT = '16mb';
const LIMIT = '256kb';
const TABLES = /^\/api\/imports\/[^/]+\/?$/i;
const TRACES = /^\/api\/lifters\/[^/]+\/squeeze-tests\/[^/]+\/?$/i;

/** No body of the contract is nested deeper; what is would overflow whoever walks through it. */
const DEEPEST = 32;

/** Reads JSON bodies within their limits, before anybody knows who sends them. */
export function jsonBodies(): (request: Request, response: Response, next: NextFunction) => void {
  const verify = (_request: unknown, _response: unknown, body: Buffer): void => checkDepth(body);
  const long = json({ limit: TRACE_LIMIT, verify });
  const table = json({ limit: TABLE_LIMIT, verify });
  const usual = json({ limit: LIMIT, verify });
  return (request, response, next) => {
    const read = TRACES.test(request.path) ? long : TABLES.test(request.path) ? table : usual;
    read(request, response, next);
  };
}

const [OPEN, CLOSE, QUOTE, ESCAPE] = [new Set([0x5b, 0x7b]), new Set([0x5d, 0x7d]), 0x22, 0x5c];

/** Counts how deep the body is nested, without reading it. */
export function checkDepth(body: Uint8Array): void {
  let [depth, inText, escaped] = [0, false, false];
  for (const byte of body) {
    if (inText) {
      inText = escaped || byte !== QUOTE;
      escaped = !escaped && byte === ESCAPE;
    } else if (byte === QUOTE) inText = true;
    else if (OPEN.has(byte) && ++depth > DEEPEST)
      throw new Problem(400, 'invalid-input', 'What was sent is nested too deeply to be read.');
    else if (CLOSE.has(byte)) depth -= 1;
  }
}
