import { SIDES, type HandsToday, type HistoryFlag } from '@iron-clasp/core';
import type { RackRow } from '@iron-clasp/contract';

/** What decides whether a lifter needs the coach's eye. */
export interface AttentionFacts {
  readonly hands: HandsToday;
  readonly history: readonly HistoryFlag[];
  /** Bare-handed slips in the last fortnight. */
  readonly recentSlips: number;
  readonly daysToMeet: number | null;
}

/** Slips in a fortnight from which the hands, not luck, are the matter. */
const MANY_SLIPS = 3;
/** From here the last heavy hold and the openers have to be settled. */
const MEET_NEAR_DAYS = 14;

/** The one flag a lifter carries on the rack: the gravest thing that applies. */
export function attention({ hands, history, recentSlips, daysToMeet }: AttentionFacts): RackRow['flag'] {
  const side = (test: (hand: HandsToday['left']) => boolean): string =>
    SIDES.filter((each) => test(hands[each])).join(' and ');
  const numb = side((hand) => hand.numb);
  if (numb) return { level: 'stop', text: `numb ${numb}: no gripping` };
  const torn = side((hand) => hand.palm === 'torn' || hand.thumb === 'torn');
  if (torn) return { level: 'stop', text: `torn skin ${torn}` };
  const uncleared = history.find((flag) => !flag.cleared);
  if (uncleared) return { level: 'caution', text: UNCLEARED[uncleared.kind] };
  const sore = side((hand) => hand.pain >= 4);
  if (sore) return { level: 'caution', text: `hand pain ${sore}` };
  const elbow = side((hand) => hand.elbowPain >= 4);
  if (elbow) return { level: 'caution', text: `elbow pain ${elbow}` };
  if (recentSlips >= MANY_SLIPS) return { level: 'note', text: `${recentSlips} slips in 14 days` };
  if (daysToMeet !== null && daysToMeet <= MEET_NEAR_DAYS) return { level: 'note', text: 'meet is near' };
  return null;
}

const UNCLEARED: Record<HistoryFlag['kind'], string> = {
  bicepsTendon: 'biceps not cleared',
  shoulder: 'shoulder not cleared',
  elbowTendon: 'elbow not cleared',
  thumbArthritis: 'thumb joint not cleared',
  bloodPressure: 'blood pressure not cleared',
  fainting: 'fainting not cleared',
  heart: 'heart not cleared',
  recentOperation: 'operation not cleared',
  pregnancy: 'pregnancy not cleared',
  underEighteen: 'under 18, not cleared',
};

const GRAVITY = { stop: 0, caution: 1, note: 2 } as const;

/** Orders the rack: gravest flag first, then the nearest session, then by name. */
export function byAttention(a: RackRow, b: RackRow): number {
  const gravity = (row: RackRow): number => (row.flag ? GRAVITY[row.flag.level] : 3);
  return (
    gravity(a) - gravity(b) ||
    (a.nextSession?.on ?? '9999').localeCompare(b.nextSession?.on ?? '9999') ||
    a.name.localeCompare(b.name)
  );
}
