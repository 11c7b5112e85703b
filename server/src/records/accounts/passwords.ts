import { hash, verify } from '@node-rs/argon2';

/** Argon2id at the strength recommended for interactive sign-in: 19 MiB, two passes. */
const STRENGTH = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

export function hashPassword(password: string): Promise<string> {
  return hash(password, STRENGTH);
}

let decoy: Promise<string> | undefined;

/** Checks a password; takes as long for an unknown account, so that the time gives nothing away. */
export async function checkPassword(stored: string | null | undefined, password: string): Promise<boolean> {
  decoy ??= hashPassword('nobody has this password');
  const matches = await verify(stored ?? (await decoy), password);
  return typeof stored === 'string' && matches;
}
