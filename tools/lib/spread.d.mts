/** Spreads requests over several processes of the server, as a proxy before them does. */
export function spread(
  ports: readonly number[],
  port: number,
): Promise<{ readonly url: string; readonly close: () => Promise<void> }>;
