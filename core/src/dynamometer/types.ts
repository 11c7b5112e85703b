import type { Side } from '../hands/hand-state.ts';

export const POSTURES = ['seated', 'standing'] as const;
export type Posture = (typeof POSTURES)[number];

export const HAND_ORDERS = ['leftFirst', 'rightFirst', 'alternating'] as const;
export type HandOrder = (typeof HAND_ORDERS)[number];

/** How a squeeze test is done. Scores are compared within one protocol only. */
export interface SqueezeProtocol {
  /** Handle setting of the dynamometer, as marked on it. */
  readonly handle: number;
  /** Elbow angle, degrees: 180 is straight. */
  readonly elbow: number;
  readonly posture: Posture;
  readonly handOrder: HandOrder;
  /** Trials a hand. */
  readonly trials: number;
  /** s between trials of one hand. */
  readonly rest: number;
}

/** One squeeze. */
export interface SqueezeTrial {
  readonly hand: Side;
  /** Peak force, kgf. */
  readonly force: number;
}

/** One test on one day. */
export interface SqueezeTest {
  /** Day, YYYY-MM-DD. */
  readonly on: string;
  readonly protocol: SqueezeProtocol;
  /** In the order in which they were done. */
  readonly trials: readonly SqueezeTrial[];
}
