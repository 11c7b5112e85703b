import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { ErrorView } from '@iron-clasp/contract';
import { InvalidInputError } from '@iron-clasp/core';
import type { Request, Response } from 'express';
import { isDatabaseGone } from './database-gone.ts';
import { Problem } from './problem.ts';

/** Turns whatever was thrown into the one documented error shape; details of faults go to the log, not to the page. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('Problem');

  catch(thrown: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    const request = host.switchToHttp().getRequest<Request & { id?: string }>();
    const problem = asProblem(thrown);
    if (problem.getStatus() >= 500)
      this.logger.error(thrown instanceof Error ? thrown.stack : String(thrown));
    if (response.headersSent) return;
    const body: ErrorView = {
      error: {
        code: problem.code,
        message: problem.message,
        ...(problem.fields && { fields: problem.fields }),
        ...(problem.other && { other: problem.other }),
        ...(request.id && { requestId: String(request.id) }),
      },
    };
    response.status(problem.getStatus()).json(body);
  }
}

function asProblem(thrown: unknown): Problem {
  if (thrown instanceof Problem) return thrown;
  if (thrown instanceof InvalidInputError) {
    return new Problem(400, 'invalid-input', thrown.message, [
      { path: thrown.field, message: thrown.message },
    ]);
  }
  if (isDatabaseGone(thrown)) {
    return new Problem(
      503,
      'database-unavailable',
      'The database does not answer just now. Nothing was changed; try again in a moment.',
    );
  }
  if (thrown instanceof HttpException) return fromHttp(thrown);
  return new Problem(500, 'fault', FAULT);
}

const FAULT =
  'Something went wrong on our side and was written to the log. Nothing you typed is lost; try again.';

function fromHttp(thrown: HttpException): Problem {
  const status = thrown.getStatus();
  if (status === 404) return new Problem(404, 'not-found', 'There is nothing at this address.');
  if (status === 413) return new Problem(413, 'too-large', 'That is too much at once for one request.');
  if (status === 415 || status === 400)
    return new Problem(400, 'invalid-input', 'The request could not be read. Check what was sent.');
  return new Problem(status, 'refused', thrown.message);
}
