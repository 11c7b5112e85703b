import { context, curveAround } from '../calls/fixtures.test-helper.ts';
import { findSchool } from '../calls/schools.ts';
import type { HoldRequest } from './hold-request.ts';

/** Four pairs of each plate that a gym has. */
export const plates = [25, 20, 15, 10, 5, 2.5, 1.25].map((mass) => ({
  ...{ mass, unit: 'kg' as const, pairs: 4 },
}));
/** A bar with them. */
export const bar = { bar: 20, collars: 5, plates };

/** A front rack hold of a lifter without a history, for tests to bend. */
export function holdRequest(more: Partial<HoldRequest> = {}): HoldRequest {
  const { lifter, venue } = context();
  return {
    kind: 'frontRackHold',
    curve: curveAround(130),
    school: findSchool('strap-the-volume')!,
    lifter,
    venue,
    history: [],
    equipment: bar,
    ...more,
  };
}
