import { generateSecret, generateURI, verify } from 'otplib';

/** A code of the step before or after is taken too, s: clocks of phones and gyms differ. */
const TOLERANCE = 30;

/** A new secret for an authenticator, with the address that a QR code holds. */
export function newSecret(
  club: string,
  email: string,
): { readonly secret: string; readonly address: string } {
  const secret = generateSecret();
  return { secret, address: generateURI({ issuer: `Iron Clasp, ${club}`, label: email, secret }) };
}

/**
 * The time step of a code that is right now; null for any other.
 * @param after the step of the last code taken: none is taken twice.
 */
export async function stepOf(
  secret: string,
  code: string,
  now: Date,
  after: string | null = null,
): Promise<number | null> {
  const token = code.replaceAll(/\s/g, '');
  if (!/^\d{6}$/.test(token)) return null;
  const answer = await verify({
    ...{ secret, token, epoch: Math.floor(now.getTime() / 1000), epochTolerance: TOLERANCE },
    ...(after !== null && { afterTimeStep: Number(after) }),
  }).catch(() => ({ valid: false as const }));
  return answer.valid && 'timeStep' in answer ? answer.timeStep : null;
}
