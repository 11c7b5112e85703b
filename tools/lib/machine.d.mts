/** A port of the loopback that nobody uses now. */
export function freePort(): Promise<number>;
