import { findLift } from '../set-demand/lifts.ts';
import { lifter } from '../calls/fixtures.test-helper.ts';
import { HOLD_KINDS_BY_ID, type HoldKindId } from './hold-kinds.ts';
import type { HoldRequest } from './hold-request.ts';
import { ceilingOf, ceilingText } from './hold-setup.ts';

const kind = (id: HoldKindId): (typeof HOLD_KINDS_BY_ID)[HoldKindId] => HOLD_KINDS_BY_ID[id];
const request = (more: Partial<HoldRequest> = {}): HoldRequest =>
  ({ lifter: lifter({ deadliftMax: 200 }), bodyMass: 90, ...more }) as HoldRequest;
const ceiling = (id: HoldKindId, more: Partial<HoldRequest> = {}): number =>
  ceilingOf(kind(id), findLift(kind(id).lifts[0]!)!, request(more));

it('the cap is said as it is: the max, a share of it, or what is safe to add', () => {
  expect(ceilingText({ ...kind('frontRackHold'), ceilingShare: 1 })).toBe(
    'Capped at the deadlift max; only the coach raises that.',
  );
  expect(ceilingText({ ...kind('frontRackHold'), ceilingShare: 0.8 })).toBe(
    'Capped at 80 % of the deadlift max; only the coach raises that.',
  );
  expect(ceilingText({ ...kind('frontRackHold'), ceilingShare: 0.555 })).toBe(
    'Capped at 56 % of the deadlift max; only the coach raises that.',
  );
  expect(ceilingText({ ...kind('frontRackHold'), ceilingShare: null })).toBe(
    'Capped at what is safe to add; only the coach raises that.',
  );
});

it('a rack hold is capped at the max, a hang at the body’s own mass again, and the coach’s own figure goes first', () => {
  expect(ceiling('frontRackHold')).toBeCloseTo(200, 6);
  expect(ceiling('deadHang')).toBe(90);
  expect(ceiling('frontRackHold', { ceiling: 220 })).toBe(220);
  expect(ceiling('deadHang', { ceiling: 0 })).toBe(0);
});
