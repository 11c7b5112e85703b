import type { HoldKit, HoldPrescription } from '@iron-clasp/core';
import type { HoldDecisionView } from '@iron-clasp/contract';
import { loadingFor } from './hold-kit.ts';

/** May the coach decide on it at all? What a safety rule bars is nobody's to allow. */
export function refusedBecause({ barred }: HoldPrescription): string | null {
  return barred?.rank === 'safety' ? barred.text : null;
}

/** The hold as the coach decided it: accepted figures stand still, changed ones replace the engine's, a skipped one is out. */
export function decidedHold(
  prescribed: HoldPrescription,
  decision: HoldDecisionView | null,
  kit: HoldKit,
): HoldPrescription {
  if (!decision || refusedBecause(prescribed)) return prescribed;
  const { what, by, reason } = decision;
  if (what === 'skipped') {
    const skipped = {
      ruleId: 'hold.skipped',
      rank: 'override' as const,
      text: `Skipped by ${by}: ${reason ?? 'no reason given'}.`,
    };
    return { ...prescribed, barred: skipped, why: [skipped, ...prescribed.why] };
  }
  const load = decision.load ?? prescribed.load;
  const { barred: _barred, ...rest } = prescribed;
  return {
    ...rest,
    sets: decision.sets ?? prescribed.sets,
    seconds: decision.seconds ?? prescribed.seconds,
    load,
    loading: loadingFor(kit, load),
    why: [
      {
        ruleId: `hold.${what}`,
        rank: 'override',
        text: what === 'accepted' ? `Accepted by ${by}.` : `Changed by ${by}: ${reason ?? ''}.`,
      },
      ...prescribed.why,
    ],
  };
}
