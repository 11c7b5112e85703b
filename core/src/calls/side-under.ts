import { otherSide, type Side } from '../hands/hand-state.ts';
import { IMBALANCE_FLAG, nextSideUnder, type MixedLedger } from '../hands/mixed-ledger.ts';
import { refuses, type Barred } from './rules.ts';
import type { SetRole } from './set-role.ts';
import type { CallContext, CallLifter, Reason } from './types.ts';
import { capital, percent } from './plain-words.ts';

const HEAVY: readonly SetRole[] = ['top', 'attempt'];

/**
 * The side to turn under in a mixed grip: the coach's where it is not barred, else the practised one for what is heavy
 * and the ledger's for what is light, as the lifter alternates; where that is barred, the other.
 */
export function sideUnder(
  { ledger, lifter, override, set }: Pick<CallContext, 'ledger' | 'lifter' | 'override' | 'set'>,
  barred: Barred,
): { side: Side; reason: Reason } {
  const wanted = override?.sideUnder;
  if (wanted && override && !refuses(barred.sidesUnder.get(wanted))) {
    const text = `${override.by} turns the ${wanted} hand under.`;
    return { side: wanted, reason: { ruleId: 'override.coach', rank: 'override', text } };
  }
  const { under } = set;
  if (under && !refuses(barred.sidesUnder.get(under)))
    return {
      side: under,
      reason: { ruleId: 'line.fixed', rank: 'override', text: `The line asks for the ${under} hand under.` },
    };
  const proposed = alternates(lifter, set.role)
    ? byLedger(ledger, lifter.dominantHand)
    : practised(lifter, ledger);
  const bar = barred.sidesUnder.get(proposed.side);
  if (!bar) return proposed;
  const side = otherSide(proposed.side);
  const because = bar.text.charAt(0).toLowerCase() + bar.text.slice(1);
  return { side, reason: { ...bar, text: `${capital(side)} hand under: ${because}` } };
}

/** Heavy sets keep the practised side unless both are practised alike; an attempt always keeps it. */
function alternates({ alternation = 'lightBySession' }: CallLifter, role: SetRole): boolean {
  if (alternation === 'never' || role === 'attempt') return false;
  return alternation === 'always' || !HEAVY.includes(role);
}

/** The side a lifter has practised under: as told, else the one with more behind it, else the non-dominant hand. */
function practisedUnder(
  { practisedUnder: told, dominantHand }: Pick<CallLifter, 'practisedUnder' | 'dominantHand'>,
  { left, right }: MixedLedger,
): Side {
  if (told) return told;
  if (left.loadSeconds === right.loadSeconds) return otherSide(dominantHand);
  return left.loadSeconds > right.loadSeconds ? 'left' : 'right';
}

function practised(lifter: CallLifter, ledger: MixedLedger): { side: Side; reason: Reason } {
  const side = practisedUnder(lifter, ledger);
  const known = lifter.practisedUnder
    ? 'the practised side'
    : ledger.left.sets + ledger.right.sets > 0
      ? 'the side with more behind it, taken as the practised one'
      : 'the usual start, dominant hand over';
  const text = `${capital(side)} hand under: ${known}; an unpractised side costs a heavy lift.`;
  return { side, reason: { ruleId: 'ledger.practised-side', rank: 'ledger', text } };
}

function byLedger(ledger: MixedLedger, dominantHand: Side): { side: Side; reason: Reason } {
  const side = nextSideUnder(ledger, dominantHand);
  const { imbalance, left, right } = ledger;
  const behind =
    left.sets + right.sets === 0
      ? 'nothing in the ledger yet, so the non-dominant hand'
      : `the ${side} side has less behind it (${left.sets} sets left, ${right.sets} right)`;
  const flag = imbalance >= IMBALANCE_FLAG ? `; imbalance ${percent(imbalance)}, even it out` : '';
  return {
    side,
    reason: {
      ruleId: 'ledger.next-side',
      rank: 'ledger',
      text: `${capital(side)} hand under: ${behind}${flag}.`,
    },
  };
}
