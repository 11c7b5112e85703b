import { TextDecoder, TextEncoder } from 'node:util';
import { cleanup, configure, screen, waitFor } from '@testing-library/react';

// What the page of the tests lacks and Radix asks for: it lays nothing out and captures no pointer.
class Nowhere {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
// And what other tabs would hear: there are none.
class Alone extends EventTarget {
  postMessage(): void {}
  close(): void {}
}
Object.assign(window, {
  ...{ ResizeObserver: Nowhere, IntersectionObserver: Nowhere, TextDecoder, TextEncoder },
  BroadcastChannel: Alone,
});
Object.assign(Element.prototype, {
  hasPointerCapture: () => false,
  setPointerCapture: () => undefined,
  releasePointerCapture: () => undefined,
  scrollIntoView: () => undefined,
});

// A condition is waited for as long as the test may last: a busy machine draws a page later than a second.
configure({ asyncUtilTimeout: 30_000 });

/** What React said of a page that it would not have so: HTML that no browser keeps, a list without keys, a state that comes late. */
const faults: string[] = [];
const tell = console.error;
console.error = (...words: unknown[]): void => {
  faults.push(words.map(String).join(' '));
  tell(...words);
};

afterEach(() => {
  cleanup();
  expect(faults.splice(0)).toEqual([]);
});

/** The way back of the last word said. Radix lets nobody click a word until its list has counted it, a moment after it is shown. */
export async function findUndo(): Promise<HTMLElement> {
  const button = await screen.findByRole('button', { name: 'Undo' });
  await waitFor(() => expect(getComputedStyle(button).pointerEvents).not.toBe('none'));
  return button;
}
