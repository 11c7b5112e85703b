const GONE = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ENOTFOUND',
  '57P01',
  '57P02',
  '57P03',
  '08006',
  '08001',
  '08003',
  '53300',
]);

/** True for the errors a driver throws when PostgreSQL is not there, is stopping, or takes no more connections. */
export function isDatabaseGone(thrown: unknown): boolean {
  if (!(thrown instanceof Error)) return false;
  const { code, errors, driverError } = thrown as Error & {
    code?: unknown;
    errors?: unknown[];
    driverError?: unknown;
  };
  if (typeof code === 'string' && GONE.has(code)) return true;
  if (
    /Connection terminated|Driver not Connected|not established|timeout exceeded when trying to connect|Client has encountered a connection error/.test(
      thrown.message,
    )
  )
    return true;
  return (errors ?? []).some(isDatabaseGone) || (driverError !== thrown && isDatabaseGone(driverError));
}
