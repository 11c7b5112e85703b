import helmet from 'helmet';
import type { NextFunction, Request, Response } from 'express';

const NOTHING_FOREIGN = {
  'default-src': ["'none'"],
  'script-src': ["'self'"],
  'style-src': ["'self'"],
  'img-src': ["'self'", 'data:'],
  'font-src': ["'self'"],
  // A dynamometer is spoken to on this very machine, and nowhere else.
  'connect-src': ["'self'", 'ws://127.0.0.1:*'],
  'manifest-src': ["'self'"],
  'worker-src': ["'self'"],
  'base-uri': ["'none'"],
  'form-action': ["'self'"],
  'frame-ancestors': ["'none'"],
  'upgrade-insecure-requests': null,
};

/** The API's own reference page draws itself with inline styles; nothing else may. */
const REFERENCE_PAGE = { ...NOTHING_FOREIGN, 'style-src': ["'self'", "'unsafe-inline'"] };

/** Security headers with a strict content-security policy: nothing from elsewhere, nothing inline, no frames. */
export function securityHeaders(): (request: Request, response: Response, next: NextFunction) => void {
  const common = { strictTransportSecurity: false, referrerPolicy: { policy: 'no-referrer' } } as const;
  const pages = helmet({
    ...common,
    contentSecurityPolicy: { useDefaults: false, directives: NOTHING_FOREIGN },
  });
  const reference = helmet({
    ...common,
    contentSecurityPolicy: { useDefaults: false, directives: REFERENCE_PAGE },
  });
  return (request, response, next) =>
    (request.path.startsWith('/api/docs') ? reference : pages)(request, response, next);
}
