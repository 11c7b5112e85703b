import { ASKED_LATER, type KnownHistory, type LifterRequest, type ProfileView } from '@iron-clasp/contract';
import type { ChalkKind, MassUnit, SetRole, Side } from '@iron-clasp/core';
import { inUnit, typedMass, typedNumber } from '../../ui/figures.ts';

/** A lifter as it is being typed: masses in the reader's unit, chances in per cent, all as text. */
export interface Draft {
  readonly name: string;
  readonly sport: ProfileView['sport'];
  readonly sportWords: string;
  readonly deadliftMax: string;
  readonly dominantHand: ProfileView['dominantHand'];
  readonly stance: ProfileView['stance'];
  readonly largeThighs: boolean;
  readonly trainingSince: string;
  readonly schoolId: string;
  readonly hookStage: ProfileView['hookStage'];
  readonly thresholds: Readonly<Record<SetRole, string>>;
  readonly history: readonly KnownHistory[];
  /** mm as typed, empty where nobody knows; so is the one below. */
  readonly handLength: string;
  /** In the reader's unit, as typed. */
  readonly bodyMass: string;
  readonly deadliftOn: string;
  readonly bestPulled: ProfileView['bestPulled'];
  /** Empty where nobody knows; so are the two below. */
  readonly bestChalk: ChalkKind | '';
  readonly practisedUnder: Side | '';
  readonly thumbFingers: '' | '2' | '3';
  readonly alternation: ProfileView['alternation'];
  readonly clenches: boolean;
  readonly armsBendUnderMixed: boolean;
  readonly bestLifts: readonly BestDraft[];
}

/** A best lift as it is being typed, the load in the reader's unit. */
export interface BestDraft {
  readonly key: string;
  readonly liftId: string;
  readonly load: string;
  readonly on: string;
  /** kg as stored, while the load is not touched. */
  readonly kg?: number;
}

const optionalText = (value: number | null): string => (value === null ? '' : String(value));
const optionalNumber = (text: string): number | null => (text.trim() === '' ? null : typedNumber(text));

const percentText = (chance: number): string => String(Number((chance * 100).toFixed(1)));

export function draftOf(profile: ProfileView, unit: MassUnit): Draft {
  const { name, sport, deadliftMax, dominantHand, stance, trainingSince, schoolId, hookStage } = profile;
  return {
    name,
    sport,
    sportWords: profile.sportWords,
    deadliftMax: String(Number(inUnit(deadliftMax, unit).toFixed(1))),
    dominantHand,
    stance,
    largeThighs: profile.largeThighs,
    trainingSince,
    schoolId,
    hookStage,
    thresholds: Object.fromEntries(
      Object.entries(profile.thresholds).map(([role, chance]) => [role, percentText(chance)]),
    ) as Draft['thresholds'],
    history: profile.history,
    handLength: optionalText(profile.handLength),
    bodyMass: profile.bodyMass === null ? '' : String(Number(inUnit(profile.bodyMass, unit).toFixed(1))),
    deadliftOn: profile.deadliftOn ?? '',
    bestPulled: profile.bestPulled,
    bestChalk: profile.bestChalk ?? '',
    practisedUnder: profile.practisedUnder ?? '',
    thumbFingers: profile.thumbFingers === null ? '' : profile.thumbFingers === 2 ? '2' : '3',
    alternation: profile.alternation,
    clenches: profile.clenches,
    armsBendUnderMixed: profile.armsBendUnderMixed,
    bestLifts: profile.bestLifts.map(({ liftId, load, on }, i) => ({
      key: `${i} ${liftId}`,
      liftId,
      load: String(Number(inUnit(load, unit).toFixed(1))),
      on: on ?? '',
      kg: load,
    })),
  };
}

/**
 * What is sent: what was not changed keeps the value it has, to the digit, and a question counts as answered only where
 * its answer was touched.
 */
export function requestOf(
  draft: Draft,
  profile: ProfileView,
  unit: MassUnit,
  touched: ReadonlySet<string>,
): LifterRequest {
  const before = draftOf(profile, unit);
  const answered = ASKED_LATER.filter((field) => touched.has(field) || !profile.unanswered.includes(field));
  return {
    name: draft.name,
    sport: draft.sport,
    sportWords: draft.sportWords,
    largeThighs: draft.largeThighs,
    deadliftMax:
      draft.deadliftMax === before.deadliftMax ? profile.deadliftMax : typedMass(draft.deadliftMax, unit),
    version: profile.version,
    ...Object.fromEntries(answered.map((field) => [field, draft[field] || null])),
    thresholds: Object.fromEntries(
      Object.entries(draft.thresholds).map(([role, text]) => [
        role,
        text === before.thresholds[role as SetRole]
          ? profile.thresholds[role as SetRole]
          : typedNumber(text) / 100,
      ]),
    ) as ProfileView['thresholds'],
    history: [...draft.history],
    handLength: optionalNumber(draft.handLength),
    bodyMass:
      draft.bodyMass === before.bodyMass
        ? profile.bodyMass
        : draft.bodyMass.trim() === ''
          ? null
          : typedMass(draft.bodyMass, unit),
    deadliftOn: draft.deadliftOn || null,
    bestChalk: draft.bestChalk || null,
    thumbFingers: draft.thumbFingers === '' ? null : draft.thumbFingers === '2' ? 2 : 3,
    alternation: draft.alternation,
    clenches: draft.clenches,
    armsBendUnderMixed: draft.armsBendUnderMixed,
    bestLifts: draft.bestLifts.map(({ liftId, load, on, kg }) => ({
      liftId,
      load: kg ?? typedMass(load, unit),
      on: on || null,
    })),
  };
}

/** Fields in which two drafts differ. */
export function differences(a: Draft, b: Draft): (keyof Draft)[] {
  return (Object.keys(a) as (keyof Draft)[]).filter(
    (field) => JSON.stringify(a[field]) !== JSON.stringify(b[field]),
  );
}
