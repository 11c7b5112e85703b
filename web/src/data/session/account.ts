import type { SessionView } from '@iron-clasp/contract';
import { createContext, useContext } from 'react';

export type Account = SessionView['account'];

/** Who is signed in, for every page below; null on pages that need nobody. */
export const AccountContext = createContext<Account | null>(null);

/** Who is signed in; null on pages that need nobody. */
export function useAccount(): Account | null {
  return useContext(AccountContext);
}
