import { InvalidInputError, readTraceCsv, type ReadTrace, type TraceCsvOptions } from '@iron-clasp/core';

/** A file to read, with the units that it does not name. */
export interface TraceFileQuestion {
  readonly file: File;
  readonly options: TraceCsvOptions;
}

export type TraceFileAnswer =
  | { readonly read: ReadTrace; readonly fault?: undefined }
  | { readonly fault: string; readonly read?: undefined };

self.addEventListener('message', (event: MessageEvent<TraceFileQuestion>) => {
  const { file, options } = event.data;
  const answer = (words: TraceFileAnswer): void => self.postMessage(words);
  file
    .text()
    .then((text) => answer({ read: readTraceCsv(text, options) }))
    .catch((error: unknown) =>
      answer({
        fault:
          error instanceof InvalidInputError
            ? `The file must hold ${error.field === 'rate' ? 'times, or its sampling rate must be' : ''} ${error.allowed}.`.replace(
                / +/g,
                ' ',
              )
            : 'The file could not be read. Save it as CSV and choose it again.',
      }),
    );
});
