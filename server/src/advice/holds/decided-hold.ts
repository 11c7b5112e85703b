import { changeHold, type HoldPrescription, type HoldRequest } from '@iron-clasp/core';
import type { HoldDecisionView } from '@iron-clasp/contract';

/** May the coach decide on it at all? What a safety rule bars is nobody's to allow. */
export function refusedBecause({ barred }: HoldPrescription): string | null {
  return barred?.rank === 'safety' ? barred.text : null;
}

/**
 * The hold as the coach decided it: accepted figures stand still, changed ones replace the engine's, with the chance and the
 * reasons of these figures; a skipped one is out, and says so once.
 */
export function decidedHold(
  prescribed: HoldPrescription,
  decision: HoldDecisionView | null,
  request: HoldRequest,
): HoldPrescription {
  if (!decision || refusedBecause(prescribed)) return prescribed;
  const { what, by, reason } = decision;
  if (what === 'skipped') {
    const skipped = {
      ruleId: 'hold.skipped',
      rank: 'override' as const,
      text: `Skipped by ${by}: ${reason ?? 'no reason given'}.`,
    };
    return { ...prescribed, barred: skipped };
  }
  const { sets, seconds, load } = decision;
  const figures = {
    ...(load !== null && { load }),
    ...(seconds !== null && { seconds }),
    ...(sets !== null && { sets }),
  };
  const same =
    figures.load === prescribed.load &&
    figures.seconds === prescribed.seconds &&
    figures.sets === prescribed.sets;
  const { barred: _barred, ...decided } = same ? prescribed : changeHold(request, figures);
  return {
    ...decided,
    why: [
      {
        ruleId: `hold.${what}`,
        rank: 'override',
        text: what === 'accepted' ? `Accepted by ${by}.` : `Changed by ${by}: ${reason ?? ''}.`,
      },
      ...decided.why,
    ],
  };
}
