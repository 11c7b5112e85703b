/** @jest-environment jsdom */
import './component.test-helper.ts';
import { jest } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { Failed } from './states.tsx';

const failed = (error: Error, retry?: () => void): void => {
  render(
    <MemoryRouter>
      <Failed error={error} {...(retry && { retry })} />
    </MemoryRouter>,
  );
};
const answer = (code: string, status: number, passing: boolean): Error =>
  Object.assign(new Error(`It was ${code}.`), { code, status, passing });

it('what may pass by itself is tried again', async () => {
  const retry = jest.fn();
  failed(answer('no-connection', 0, true), retry);
  await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(retry).toHaveBeenCalledTimes(1);
});

it('what was refused is said, and not tried again', () => {
  failed(answer('demo-club', 403, false), jest.fn());
  expect(screen.getByRole('alert').textContent).toBe('It was demo-club.');
});

it('what somebody else changed meanwhile is read again', () => {
  failed(answer('changed-meanwhile', 409, false), jest.fn());
  expect(screen.getByRole('button').textContent).toBe('Try again');
});

it('what is not there leads to Today', () => {
  failed(answer('not-found', 404, false), jest.fn());
  expect(screen.queryByRole('button')).toBeNull();
  expect(screen.getByRole('link').getAttribute('href')).toBe('/');
});
