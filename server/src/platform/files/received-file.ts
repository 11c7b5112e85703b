import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { FileInterceptor } from '@nestjs/platform-express';
import { applyDecorators, UseInterceptors } from '@nestjs/common';
import { ApiBody, ApiConsumes } from '@nestjs/swagger';
import { invalid } from '../http/problem.ts';

/** Largest file that is taken, bytes: 5,000 lifters with ten years each are smaller. */
const LARGEST = 4_000_000_000;

/** A file that was sent, where it lies now. */
export interface ReceivedFile {
  readonly path: string;
}

/**
 * Takes the one file of a form, and writes it to disk while it comes.
 * @param more texts that are sent with it.
 */
export const TakesFile = (field: string, more: readonly string[] = []): ReturnType<typeof applyDecorators> =>
  applyDecorators(
    ApiConsumes('multipart/form-data'),
    ApiBody({
      schema: {
        type: 'object',
        required: [...more, field],
        properties: {
          ...Object.fromEntries(more.map((name) => [name, { type: 'string' }])),
          [field]: { type: 'string', format: 'binary' },
        },
      },
    }),
    UseInterceptors(
      FileInterceptor(field, {
        dest: tmpdir(),
        limits: { fileSize: LARGEST, files: 1, fields: 8, fieldSize: 2_000 },
      }),
    ),
  );

/**
 * Works with a file that was sent, and removes it.
 * @throws Problem 400 where none was.
 */
export async function withReceived<Result>(
  file: ReceivedFile | undefined,
  field: string,
  work: (path: string) => Promise<Result>,
): Promise<Result> {
  if (!file) throw invalid(field, 'Choose a file.');
  try {
    return await work(file.path);
  } finally {
    await rm(file.path, { force: true });
  }
}
