import { randomUUID } from 'node:crypto';
import type { Request, Response } from 'express';
import { pino } from 'pino';
import { pinoHttp, type HttpLogger } from 'pino-http';
import type { Config } from '../config/config.ts';

/** Addresses that open something to whoever holds them. */
const SECRET = /^(\/(?:api\/)?(?:shared|invitations|join|password-links|new-password))\/[^/?]+/i;

/** The address without its question, and without a secret that it may hold. */
export function withoutSecrets(url: string): string {
  return url.split('?')[0]!.replace(SECRET, '$1/…');
}

/** One structured line a request. Headers, cookies and bodies are not written: they hold secrets and health data. */
export function requestLog(level: Config['logLevel']): HttpLogger<Request, Response> {
  return pinoHttp<Request, Response>({
    logger: pino({ level }),
    genReqId: () => randomUUID(),
    serializers: {
      req: (request: { id: string; method: string; url: string }) => ({
        id: request.id,
        method: request.method,
        url: withoutSecrets(request.url),
      }),
      res: (response: { statusCode: number }) => ({ status: response.statusCode }),
    },
    customLogLevel: (_request, response, error) =>
      error || response.statusCode >= 500 ? 'error' : response.statusCode >= 400 ? 'warn' : 'info',
  });
}
