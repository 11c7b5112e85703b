import { InvalidInputError } from '../errors.ts';
import { SIDES } from '../hands/hand-state.ts';
import { day, listOf, oneOf, range, record, whole, type Check } from '../shape.ts';
import { HAND_ORDERS, POSTURES } from './types.ts';
import type { SqueezeProtocol, SqueezeTest, SqueezeTrial } from './types.ts';

/** kgf; no hand has squeezed more, and most that is more was read in another unit. */
export const MAX_SQUEEZE = 150;

export const protocolCheck: Check = record<SqueezeProtocol>({
  handle: range(0, 200),
  elbow: range(0, 180),
  posture: oneOf(POSTURES),
  handOrder: oneOf(HAND_ORDERS),
  trials: whole(1, 20),
  rest: range(0, 3600),
});

const forceCheck: Check = (field, value) => {
  if (typeof value !== 'number' || !(value > 0) || value > MAX_SQUEEZE)
    throw new InvalidInputError(
      field,
      `a force above 0 and at most ${MAX_SQUEEZE} kgf (newtons divided by 9.81, pounds by 2.205)`,
      value,
    );
};

export const testCheck: Check = record<SqueezeTest>({
  on: day,
  protocol: protocolCheck,
  trials: listOf(record<SqueezeTrial>({ hand: oneOf(SIDES), force: forceCheck }), 100),
});

export const testsCheck: Check = listOf(testCheck, 10_000);
