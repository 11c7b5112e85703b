/** @jest-environment jsdom */
import './component.test-helper.ts';
import { render, screen } from '@testing-library/react';
import { LongListIn } from './long-list.tsx';

// A page that is laid out nowhere has no heights of its own.
beforeAll(() => {
  for (const side of ['clientHeight', 'clientWidth', 'offsetHeight'])
    Object.defineProperty(HTMLElement.prototype, side, { configurable: true, get: () => 62 });
});

it('what is there when the list comes is drawn with it, and only what is near', () => {
  const items = Array.from({ length: 500 }, (_, i) => `lifter ${i + 1}`);
  render(
    <nav>
      <LongListIn items={items} keyOf={(each) => each} height={() => 62}>
        {(each) => <b>{each}</b>}
      </LongListIn>
    </nav>,
  );
  const drawn = screen.getAllByRole('listitem');
  expect(drawn[0]!.textContent).toBe('lifter 1');
  expect(drawn[0]!.getAttribute('aria-setsize')).toBe('500');
  // As many as fit the window, until the list knows its own height, and those beyond.
  expect(drawn.length).toBeLessThan(30);
});
