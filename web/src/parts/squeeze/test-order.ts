import type { Side, SqueezeProtocol } from '@iron-clasp/core';
import type { SentTrial } from '@iron-clasp/contract';

/** A squeeze that was told, on its way to a test. */
export interface DoneTrial {
  readonly sent: SentTrial;
  /** As read on this device, kgf. */
  readonly peak: number;
  /** Wall time at which it was told, ms. */
  readonly at: number;
}

/** One squeeze that is asked for: which hand, and the how manieth of it. */
export interface AskedTrial {
  readonly hand: Side;
  /** From 1. */
  readonly trial: number;
}

/** The squeezes of a test in the order in which they are asked. */
export function testOrder({ handOrder, trials }: SqueezeProtocol): AskedTrial[] {
  const each = (hand: Side): AskedTrial[] =>
    Array.from({ length: trials }, (_, i) => ({ hand, trial: i + 1 }));
  if (handOrder === 'leftFirst') return [...each('left'), ...each('right')];
  if (handOrder === 'rightFirst') return [...each('right'), ...each('left')];
  return each('left').flatMap((left, i) => [left, each('right')[i]!]);
}

/** s that this hand still rests before it may squeeze again; 0 where it may. */
export function restLeft(
  hand: Side,
  done: readonly { readonly hand: Side; readonly at: number }[],
  rest: number,
  now: number,
): number {
  const last = done.filter((each) => each.hand === hand).at(-1);
  // The clock is read now and then: the squeeze may be younger than the reading.
  return last ? Math.max(0, Math.ceil(rest - Math.max(0, now - last.at) / 1000)) : 0;
}

/** How a protocol is said: handle, elbow, posture, order. */
export function protocolWords({ handle, elbow, posture, handOrder, trials, rest }: SqueezeProtocol): string {
  const order = {
    leftFirst: 'left hand first',
    rightFirst: 'right hand first',
    alternating: 'hands in turn',
  };
  const arm = elbow >= 170 ? 'arm straight' : `elbow at ${elbow}°`;
  return `handle ${handle}, ${arm}, ${posture}, ${trials} ${trials === 1 ? 'trial' : 'trials'} a hand, ${order[handOrder]}, ${rest} s rest`;
}
