import { otherSide, type Side } from '../hands/hand-state.ts';
import { IMBALANCE_FLAG, nextSideUnder, type MixedLedger } from '../hands/mixed-ledger.ts';
import type { Barred } from './rules.ts';
import type { CallOverride, Reason } from './types.ts';
import { capital, percent } from './wording.ts';

/** The side to turn under in a mixed grip: the coach's where it is not barred, else the ledger's, else the one that may. */
export function sideUnder(
  ledger: MixedLedger,
  dominantHand: Side,
  barred: Barred,
  override: CallOverride | undefined,
): { side: Side; reason: Reason } {
  const wanted = override?.sideUnder;
  if (wanted && override && !barred.sidesUnder.has(wanted)) {
    const text = `${override.by} turns the ${wanted} hand under.`;
    return { side: wanted, reason: { ruleId: 'override.coach', rank: 'override', text } };
  }
  const proposed = nextSideUnder(ledger, dominantHand);
  const bar = barred.sidesUnder.get(proposed);
  if (bar) {
    const side = otherSide(proposed);
    const because = bar.text.charAt(0).toLowerCase() + bar.text.slice(1);
    return { side, reason: { ...bar, text: `${capital(side)} hand under: ${because}` } };
  }
  const { imbalance, left, right } = ledger;
  const behind =
    left.sets + right.sets === 0
      ? 'nothing in the ledger yet, so the non-dominant hand'
      : `the ${proposed} side has less behind it (${left.sets} sets left, ${right.sets} right)`;
  const flag = imbalance >= IMBALANCE_FLAG ? `; imbalance ${percent(imbalance)}, even it out` : '';
  const text = `${capital(proposed)} hand under: ${behind}${flag}.`;
  return { side: proposed, reason: { ruleId: 'ledger.next-side', rank: 'ledger', text } };
}
