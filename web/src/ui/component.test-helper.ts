import { TextDecoder, TextEncoder } from 'node:util';
import { cleanup } from '@testing-library/react';

// What the page of the tests lacks and Radix asks for: it lays nothing out and captures no pointer.
class Nowhere {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
Object.assign(window, { ResizeObserver: Nowhere, TextDecoder, TextEncoder });
Object.assign(Element.prototype, {
  hasPointerCapture: () => false,
  setPointerCapture: () => undefined,
  releasePointerCapture: () => undefined,
  scrollIntoView: () => undefined,
});

afterEach(cleanup);
