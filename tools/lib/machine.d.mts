/** A port of the loopback that nobody uses now. */
export function freePort(): Promise<number>;
/** A new folder of its own under the system's temporary one. */
export function temporaryFolder(prefix: string): string;
