import { checkText } from '../check.ts';
import type { EffortRule, LadderStep, School, StrapPolicy } from './school.ts';
import type { SetRole } from './set-role.ts';

const NEAR_LIMIT: EffortRule = { kind: 'nearLimit', probability: 0.65 };
const SUBMAXIMAL: EffortRule = { kind: 'fractionOfBest', fraction: 0.6 };
const MODERATE: EffortRule = { kind: 'fractionOfBest', fraction: 0.75 };

/** Pain, 0–10, from which hands count as sore. */
export const SORE = 4;

/** A ladder that warms up one way and works another. */
function ladder(
  warmup: readonly LadderStep[],
  heavy: readonly LadderStep[],
  volume: readonly LadderStep[],
): Record<SetRole, readonly LadderStep[]> {
  return { warmup, top: heavy, attempt: heavy, backoff: volume, volume, accessory: volume };
}

const WORK_ROLES: readonly SetRole[] = ['top', 'backoff', 'volume', 'accessory'];

const lastResort = (school: string, reason: string): StrapPolicy => ({
  id: `school.${school}.straps-last`,
  when: [{ kind: 'roles', roles: WORK_ROLES }],
  reason,
});

/** The main schools of practice. Figures are working defaults; a club adjusts its own copies. */
export const SCHOOLS: readonly School[] = [
  {
    id: 'strap-the-volume',
    name: 'Strap the volume, hold the heavy',
    summary:
      'Best bare grip on heavy sets, straps on rep work, heavy rack holds near the limit to build the hands.',
    ladder: ladder(
      ['doubleOverhand', 'bestBare'],
      ['bestBare', 'mixed', 'hook', 'doubleOverhand'],
      ['doubleOverhand', 'bestBare'],
    ),
    ladderReason:
      'heavy sets get the lifter’s best bare grip; the hands are built with holds, not with volume',
    strapsFirst: [
      {
        id: 'school.strap-the-volume.straps-on-volume',
        when: [{ kind: 'roles', roles: ['backoff', 'volume'] }],
        reason: 'back-off volume is for the back and legs; save the hands for the heavy sets and the holds',
      },
      {
        id: 'school.strap-the-volume.straps-on-reps',
        when: [
          { kind: 'repsAtLeast', reps: 5 },
          { kind: 'roles', roles: WORK_ROLES },
        ],
        reason: 'five reps or more is rep work: strap it',
      },
      {
        id: 'school.strap-the-volume.straps-above-max',
        when: [
          { kind: 'loadAtLeastShareOfMax', share: 1 },
          { kind: 'families', families: ['pull'] },
        ],
        reason: 'partial pulls and shrugs at or above the deadlift max are for the back',
      },
      {
        id: 'school.strap-the-volume.straps-on-rows',
        when: [{ kind: 'aimIsBack' }, { kind: 'roles', roles: WORK_ROLES }],
        reason: 'the back is the aim of the lift, not the grip',
      },
    ],
    strapsLast: {
      id: 'school.strap-the-volume.straps-last',
      when: [{ kind: 'slippedToday' }, { kind: 'roles', roles: WORK_ROLES }],
      reason: 'further heavy work gets straps once something has slipped today',
    },
    strapsNotBeforeMonths: 0,
    soreHands: { straps: false, reason: 'sore hands alone are no reason; what gets straps is the rep work' },
    strapFits: [],
    hold: {
      sets: 2,
      seconds: 10,
      rest: [180, 300],
      effort: NEAR_LIMIT,
      reason:
        'two holds of 10 s near the limit, in blocks of four to five weeks or the last two to three into a meet',
    },
  },
  {
    id: 'overhand-first',
    name: 'Overhand first',
    summary:
      'Double overhand until it fails, then mixed or hook; straps last, and not in the first two years.',
    ladder: ladder(
      ['doubleOverhand', 'bestBare'],
      ['doubleOverhand', 'bestBare', 'mixed', 'hook'],
      ['doubleOverhand', 'bestBare'],
    ),
    ladderReason: 'every set pulled double overhand trains the hands, so it is kept until it fails',
    strapsFirst: [],
    strapsLast: lastResort('overhand-first', 'straps are the last resort, once every bare grip has failed'),
    strapsNotBeforeMonths: 24,
    soreHands: {
      straps: false,
      reason: 'hands that merely hurt are still worked; straps are not for comfort',
    },
    strapFits: [],
    hold: {
      sets: 2,
      seconds: 20,
      rest: [120, 180],
      effort: MODERATE,
      reason: 'moderate holds; the high-rep overhand pulls and carries do most of the work',
    },
  },
  {
    id: 'hook-committed',
    name: 'Hook committed',
    summary: 'Hook on everything, so that the thumbs settle; straps only when the thumbs complain.',
    ladder: ladder(
      ['hook', 'doubleOverhand'],
      ['hook', 'mixed', 'doubleOverhand'],
      ['hook', 'doubleOverhand', 'mixed'],
    ),
    ladderReason: 'one grip for everything: the thumbs settle sooner and every set rehearses the meet',
    strapsFirst: [
      {
        id: 'school.hook-committed.straps-for-thumbs',
        when: [
          { kind: 'handPainAtLeast', pain: SORE },
          { kind: 'roles', roles: ['backoff', 'volume', 'accessory'] },
        ],
        reason: 'the thumbs complain today, so the volume gets straps',
      },
    ],
    strapsLast: null,
    strapsNotBeforeMonths: 0,
    soreHands: {
      straps: true,
      reason: 'sore thumbs get straps on the volume, so that the hook comes back sooner',
    },
    strapFits: [],
    hold: {
      sets: 2,
      seconds: 15,
      rest: [120, 180],
      effort: SUBMAXIMAL,
      reason: 'light hook holds; the skin budget goes to the lifts',
    },
  },
  {
    id: 'same-grip',
    name: 'Same grip all year',
    summary: 'Mixed on top and back-off alike, so that the back-off predicts the top set; straps rarely.',
    ladder: ladder(
      ['doubleOverhand', 'mixed'],
      ['mixed', 'hook', 'doubleOverhand'],
      ['mixed', 'hook', 'doubleOverhand'],
    ),
    ladderReason: 'top and back-off sets with the same grip, so that one predicts the other',
    strapsFirst: [],
    strapsLast: lastResort('same-grip', 'straps rarely: only where no bare grip is likely to hold'),
    strapsNotBeforeMonths: 0,
    soreHands: {
      straps: false,
      reason: 'a change of grip for comfort breaks the link between back-off and top set',
    },
    strapFits: [],
    hold: {
      sets: 2,
      seconds: 10,
      rest: [180, 300],
      effort: MODERATE,
      reason: 'rack holds when confidence drops',
    },
  },
  {
    id: 'bare-hands',
    name: 'Bare hands',
    summary: 'Best bare grip for everything, straps never; timed sets well short of failure.',
    ladder: ladder(
      ['doubleOverhand', 'bestBare'],
      ['doubleOverhand', 'bestBare', 'mixed', 'hook'],
      ['doubleOverhand', 'bestBare'],
    ),
    ladderReason: 'the hands hold what the lifter lifts; if they cannot, the load waits for them',
    strapsFirst: [],
    strapsLast: null,
    strapsNotBeforeMonths: 0,
    soreHands: { straps: false, reason: 'sore hands get a lighter day, not straps' },
    strapFits: [],
    hold: {
      sets: 3,
      seconds: 15,
      rest: [90, 180],
      effort: SUBMAXIMAL,
      reason: 'timed sets at about 60 % of the best time, never to failure',
    },
  },
  {
    id: 'weightlifting',
    name: 'Weightlifting',
    summary: 'Hook on the lifts, straps on pulls and on snatches of three or more, never on cleans.',
    ladder: ladder(['hook', 'doubleOverhand'], ['hook', 'doubleOverhand'], ['hook', 'doubleOverhand']),
    ladderReason: 'the hook keeps a fast bar in the hand without squeezing the arms stiff',
    strapsFirst: [
      {
        id: 'school.weightlifting.straps-on-pulls',
        when: [
          { kind: 'families', families: ['olympicPull'] },
          { kind: 'roles', roles: WORK_ROLES },
        ],
        reason: 'pulls are strapped to spare the thumbs for the lifts',
      },
      {
        id: 'school.weightlifting.straps-on-snatch-reps',
        when: [
          { kind: 'families', families: ['snatch'] },
          { kind: 'repsAtLeast', reps: 3 },
          { kind: 'roles', roles: WORK_ROLES },
        ],
        reason: 'snatches of three or more wear the thumbs: straps',
      },
      {
        id: 'school.weightlifting.straps-on-rows',
        when: [{ kind: 'aimIsBack' }, { kind: 'roles', roles: WORK_ROLES }],
        reason: 'rows, shrugs and pull-downs are for the back; the thumbs are kept for the lifts',
      },
      {
        id: 'school.weightlifting.straps-for-clenching-novice',
        when: [
          { kind: 'clenches' },
          { kind: 'trainingMonthsBelow', months: 24 },
          { kind: 'families', families: ['snatch', 'deadlift', 'pull'] },
          { kind: 'roles', roles: WORK_ROLES },
        ],
        reason: 'a stiff novice who clenches learns loose arms sooner with the hands tied on',
      },
      {
        id: 'school.weightlifting.straps-for-sore-thumbs',
        when: [
          { kind: 'handPainAtLeast', pain: SORE },
          { kind: 'families', families: ['snatch', 'deadlift', 'pull', 'row'] },
          { kind: 'roles', roles: ['backoff', 'volume', 'accessory'] },
        ],
        reason: 'the thumbs are sore today, so what is not a lift gets straps',
      },
    ],
    strapsLast: null,
    strapsNotBeforeMonths: 0,
    soreHands: {
      straps: true,
      reason: 'sore thumbs get straps wherever the lift admits them, and the lifts stay hooked',
    },
    strapFits: [],
    hold: {
      sets: 2,
      seconds: 10,
      rest: [120, 180],
      effort: SUBMAXIMAL,
      reason: 'light holds beside the lifts',
    },
  },
  {
    id: 'strongman',
    name: 'Strongman',
    summary:
      'Straps where the event allows them and while event grip work is high; hard holds behind the back and carries.',
    ladder: ladder(
      ['doubleOverhand', 'bestBare'],
      ['bestBare', 'mixed', 'doubleOverhand'],
      ['doubleOverhand', 'bestBare'],
    ),
    ladderReason: 'the hands are kept for the events; on the bar use what the event allows',
    strapsFirst: [
      {
        id: 'school.strongman.straps-as-in-event',
        when: [
          { kind: 'eventAllowsStraps' },
          { kind: 'families', families: ['deadlift', 'pull'] },
          { kind: 'roles', roles: ['top', 'attempt', 'backoff', 'volume'] },
        ],
        reason: 'the event allows straps, so they are always used there and trained',
      },
      {
        id: 'school.strongman.straps-on-rows',
        when: [{ kind: 'aimIsBack' }, { kind: 'roles', roles: WORK_ROLES }],
        reason: 'the back is the aim; carries and stones train the hands',
      },
      {
        id: 'school.strongman.straps-in-full-weeks',
        when: [
          { kind: 'gripWorkHigh' },
          { kind: 'families', families: ['deadlift', 'pull', 'row', 'olympicPull'] },
          { kind: 'roles', roles: WORK_ROLES },
        ],
        reason: 'carries, stones and axle already fill the week with grip work',
      },
    ],
    strapsLast: lastResort('strongman', 'straps once the bare hand is not likely to hold'),
    strapsNotBeforeMonths: 0,
    soreHands: { straps: true, reason: 'the hands are kept for the events' },
    strapFits: [
      {
        id: 'school.strongman.fixed-strap-on-heaviest',
        when: [
          { kind: 'loadAtLeastShareOfMax', share: 0.9 },
          { kind: 'families', families: ['deadlift', 'pull'] },
        ],
        fit: {
          type: 'figureEight',
          turns: 1,
          reason:
            'the heaviest event pulls: a figure-eight holds without a grip; never where the bar must be dropped fast',
        },
      },
    ],
    hold: {
      sets: 3,
      seconds: 30,
      rest: [180, 300],
      effort: NEAR_LIMIT,
      reason: 'three hard holds of 30 s with full rests',
    },
  },
];

const BY_ID = new Map(SCHOOLS.map((school) => [school.id, school]));

/**
 * The school with this id, or undefined.
 * @throws InvalidInputError for an id that is no text.
 * @example findSchool('bare-hands').strapsLast // null
 */
export function findSchool(id: string): School | undefined {
  checkText('id', id);
  return BY_ID.get(id);
}
