import type { EffortRule } from '../calls/school.ts';
import type { Reason } from '../calls/types.ts';
import {
  BEFORE_BARE_DEADLIFT_HOURS,
  HARD_HOLD_GAP_HOURS,
  LAST_HEAVY_HOLD_DAYS,
  NO_HEAVY_HOLD_DAYS,
} from '../grip-week/spacing-figures.ts';
import type { HoldRequest } from './hold-request.ts';

/** A hold near the limit is a hard one: it needs its spacing. */
export function isHard(effort: EffortRule): boolean {
  return effort.kind === 'nearLimit';
}

export function timingBar({ meet, timing }: HoldRequest, effort: EffortRule): Reason | undefined {
  if (!isHard(effort)) return undefined;
  if (meet && meet.daysAway < NO_HEAVY_HOLD_DAYS)
    return {
      ruleId: 'spacing.last-heavy-hold-before-meet',
      rank: 'adaptation',
      text: `The last heavy hold falls about ${LAST_HEAVY_HOLD_DAYS} days before the meet; now it is too close.`,
    };
  if (timing?.hoursToBareDeadlift !== undefined && timing.hoursToBareDeadlift < BEFORE_BARE_DEADLIFT_HOURS)
    return {
      ruleId: 'spacing.no-hard-hold-before-bare-deadlift',
      rank: 'adaptation',
      text: `No hard hold in the ${BEFORE_BARE_DEADLIFT_HOURS} h before a heavy bare-handed deadlift.`,
    };
  if (timing?.hoursSinceHardHold !== undefined && timing.hoursSinceHardHold < HARD_HOLD_GAP_HOURS)
    return {
      ruleId: 'spacing.hard-holds-apart',
      rank: 'adaptation',
      text: `Hard holds stand ${HARD_HOLD_GAP_HOURS} h apart.`,
    };
  return undefined;
}
