import type { NextFunction, Request, Response } from 'express';

/** Answers of the API are somebody's own: no cache on the way keeps them. Those of the reference page are everybody's. */
export function noStore(): (request: Request, response: Response, next: NextFunction) => void {
  return (request, response, next) => {
    const { path } = request;
    if (path.startsWith('/api/') && !path.startsWith('/api/docs'))
      response.setHeader('Cache-Control', 'no-store');
    next();
  };
}
