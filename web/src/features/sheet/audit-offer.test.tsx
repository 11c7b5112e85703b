/** @jest-environment jsdom */
import '../../ui/component.test-helper.ts';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { AccountContext, type Account } from '../../data/session/account.ts';
import { AuditOffer } from './audit-offer.tsx';

function offered(
  logged: number,
  meetIn: number | null,
  role: Account['role'] = 'coach',
  heldDaysAgo: number | null = 3,
): boolean {
  const { unmount } = render(
    <QueryClientProvider client={new QueryClient()}>
      <AccountContext value={{ id: 'a', role } as Account}>
        <MemoryRouter>
          <AuditOffer lifterId="l" name="Wren" logged={logged} heldDaysAgo={heldDaysAgo} meetIn={meetIn} />
        </MemoryRouter>
      </AccountContext>
    </QueryClientProvider>,
  );
  const found = screen.queryByRole('button', { name: 'Audit the grip today' }) !== null;
  unmount();
  return found;
}

it('an audit is offered to the coach of whoever has little log', () => {
  expect([offered(0, null), offered(3.9, null), offered(4, null)]).toEqual([true, true, false]);
  expect(offered(0, null, 'lifter')).toBe(false);
});

it('none is offered where the hands rest before a meet', () => {
  expect([0, 1, 2, 3].map((days) => offered(0, days))).toEqual([false, false, false, true]);
});

it('one is offered to whoever comes back after eight weeks, however long their log', () => {
  expect([55, 56, 200].map((days) => offered(300, null, 'coach', days))).toEqual([false, true, true]);
  expect(offered(300, 1, 'coach', 200)).toBe(false);
  expect(offered(300, null, 'coach', null)).toBe(false);
});
