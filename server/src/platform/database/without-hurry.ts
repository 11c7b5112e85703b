import type { EntityManager } from 'typeorm';

/**
 * Lets a transaction take and wait as long as it needs: what a request may not, a first start, an import and an export of many
 * years may. Until it ends only.
 */
export async function withoutHurry(manager: EntityManager): Promise<void> {
  await manager.query('SET LOCAL idle_in_transaction_session_timeout = 0; SET LOCAL statement_timeout = 0');
}
