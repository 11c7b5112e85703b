import { CURVE_FAMILIES, GRIPS, HOLD_POSITIONS } from '../clasp-curve/types.ts';
import { checkObject } from '../check.ts';
import { bool, listOf, once, oneOf, optional, range, record, text, whole, type Check } from '../shape.ts';
import { GRIP_KINDS, KIT_NEEDS, LIFT_FAMILIES, LOAD_MEANINGS, STRAP_TYPES, WRIST_POSITIONS } from './lift.ts';
import type { Lift, StrapFit } from './lift.ts';

const orNull =
  (check: Check): Check =>
  (field, value) =>
    value === null ? undefined : check(field, value);

const strapsCheck: Check = (field, value) => {
  checkObject(field, value);
  const straps = value as { allowed?: unknown; ruleId?: unknown; reason?: unknown };
  bool(`${field}.allowed`, straps.allowed);
  if (straps.allowed) return;
  text(100)(`${field}.ruleId`, straps.ruleId);
  text()(`${field}.reason`, straps.reason);
};

export const strapFitCheck: Check = record<StrapFit>({
  type: oneOf(STRAP_TYPES),
  turns: whole(1, 6),
  reason: text(),
});

/** Asserts a lift with all its figures, the catalogue's or a coach's own. */
export const liftCheck: Check = once(
  record<Lift>({
    id: text(100),
    name: text(200),
    family: oneOf(LIFT_FAMILIES),
    secondsPerRep: range(0.1, 3600),
    continuous: bool,
    timed: bool,
    dynamicFactor: range(0.1, 5),
    loadMeans: oneOf(LOAD_MEANINGS),
    grips: bool,
    curve: orNull(oneOf(CURVE_FAMILIES)),
    position: oneOf(HOLD_POSITIONS),
    diameter: optional(range(5, 200)),
    straps: strapsCheck,
    strapFit: optional(strapFitCheck),
    mustDropFast: bool,
    aimIsBack: bool,
    chalk: bool,
    admits: listOf(oneOf(GRIPS), 10),
    kind: orNull(oneOf(GRIP_KINDS)),
    wrist: listOf(oneOf(WRIST_POSITIONS), 10),
    needs: listOf(oneOf(KIT_NEEDS), 50),
    cues: listOf(text(), 50),
  }),
);
