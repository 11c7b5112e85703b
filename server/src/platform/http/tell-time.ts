import type { NextFunction, Request, Response } from 'express';
import type { Clock } from '../clock/clock.ts';

/** Every answer tells the server's own time in its `Date` header: devices whose clock is off stamp their entries by it. */
export function tellTime(clock: Clock): (request: Request, response: Response, next: NextFunction) => void {
  return (_request, response, next) => {
    response.setHeader('Date', clock.now().toUTCString());
    next();
  };
}
