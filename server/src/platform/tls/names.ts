import { hostname, networkInterfaces } from 'node:os';
import { isIP } from 'node:net';

/** Names and addresses under which this machine can be reached, those people type first. */
export function namesOfMachine(more: readonly string[] = []): string[] {
  const addresses = Object.values(networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ internal, address }) => !internal && !isLinkLocal(address))
    .map(({ address }) => address)
    // The shorter kind first: it is the one that somebody types into a tablet.
    .sort((a, b) => isIP(a) - isIP(b));
  const name = hostname().toLowerCase();
  const own = /^[a-z0-9-]+$/.test(name) ? [`${name}.local`, name] : isHostName(name) ? [name] : [];
  return [...new Set([...more, ...addresses, ...own])].filter((each) => isIP(each) > 0 || isHostName(each));
}

/** Addresses that hold on one wire only: no certificate names them. */
const isLinkLocal = (address: string): boolean => /^(fe80|169\.254)[:.]/i.test(address);

const isHostName = (name: string): boolean =>
  name.length <= 253 && /^[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*$/i.test(name);

/** Does the name stand for this very machine, to which a browser gives a secure page without a certificate? */
export function isLoopback(name: string): boolean {
  const plain = name.toLowerCase().replace(/^\[|\]$/g, '');
  return (
    plain === 'localhost' || plain.endsWith('.localhost') || plain === '::1' || /^127(\.\d+){3}$/.test(plain)
  );
}
