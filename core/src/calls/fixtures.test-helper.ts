import { fitHoldCurve } from '../clasp-curve/fit-hold-curve.ts';
import type { HoldObservation } from '../clasp-curve/types.ts';
import { SOUND_HAND, type HandToday, type Side } from '../hands/hand-state.ts';
import { mixedLedger } from '../hands/mixed-ledger.ts';
import { findLift } from '../set-demand/lifts.ts';
import { findSchool } from './schools.ts';
import { DEFAULT_THRESHOLDS, type CallContext, type CallLifter, type SetToCall } from './types.ts';

/** A lifter with sound hands, a settled hook and a 180 kg deadlift, for tests to bend. */
export function lifter(more: Partial<CallLifter> = {}): CallLifter {
  return {
    dominantHand: 'right',
    trainingMonths: 60,
    deadliftMax: 180,
    flags: [],
    hands: { left: SOUND_HAND, right: SOUND_HAND },
    hookStage: 'settled',
    thresholds: DEFAULT_THRESHOLDS,
    ...more,
  };
}

export function hands(side: Side, hand: Partial<HandToday>): CallLifter['hands'] {
  return { left: SOUND_HAND, right: SOUND_HAND, [side]: { ...SOUND_HAND, ...hand } };
}

/** Slips around a true 10 s load of `ten` kg overhand; hook a third better, mixed a sixth. */
export function curveAround(ten: number): CallContext['curve'] {
  const known = curves.get(ten);
  if (known) return known;
  const rows = [0.8, 0.9, 1, 1.1, 1.2].flatMap((share, i): HoldObservation[] =>
    [0.9, 1, 1.1].flatMap((luck, j): HoldObservation[] => {
      const seconds = 10 * luck * share ** -3.5;
      // Each on a day of its own: what one day alone told could be the day.
      const ageDays = 1 + 3 * i + j;
      return [
        { load: ten * share, seconds, ended: 'slipped', ageDays },
        { load: ten * share * 1.33, seconds, ended: 'slipped', grip: 'hook', ageDays },
        { load: ten * share * 1.17, seconds, ended: 'slipped', grip: 'mixed', ageDays },
      ];
    }),
  );
  const curve = fitHoldCurve(rows, { referenceLoad: 126 });
  curves.set(ten, curve);
  return curve;
}

/** Curves are asked for again and again; each is fitted once. */
const curves = new Map<number, CallContext['curve']>();

export function set(more: Partial<Omit<SetToCall, 'lift'>> & { lift?: string } = {}): SetToCall {
  const { lift = 'deadlift.conventional', ...rest } = more;
  return { lift: findLift(lift)!, role: 'top', load: 160, reps: 1, ...rest };
}

export function context(more: Partial<Omit<CallContext, 'school'>> & { school?: string } = {}): CallContext {
  const { school = 'overhand-first', ...rest } = more;
  return {
    lifter: lifter(),
    school: findSchool(school)!,
    venue: { name: 'Rope works', chalk: 'block', barDiameter: 28.5 },
    set: set(),
    curve: curveAround(150),
    ledger: mixedLedger([]),
    ...rest,
  };
}
