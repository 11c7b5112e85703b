import { createHash } from 'node:crypto';

/** An id that follows from a text: the same text has it again, whoever asks. */
export function derivedId(text: string): string {
  const hex = createHash('sha256').update(text).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}
