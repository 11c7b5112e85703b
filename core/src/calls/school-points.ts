/** A point on which the schools disagree, with the argument of each side and which schools hold it. */
export interface SchoolPoint {
  readonly id: string;
  readonly question: string;
  readonly sides: readonly {
    readonly says: string;
    readonly because: string;
    readonly schools: readonly string[];
  }[];
  /** What in a lifter's own log would speak for one side. */
  readonly settledBy: string;
}

/** Where practice disagrees. Both arguments are shown; the school of the lifter decides, the lifter's log may move it. */
export const SCHOOL_POINTS: readonly SchoolPoint[] = [
  {
    id: 'point.straps-on-volume',
    question: 'Straps on back-off and rep work?',
    sides: [
      {
        says: 'yes',
        because: 'the back and legs get their volume, and the hands are fresh for heavy sets and holds',
        schools: ['strap-the-volume', 'strongman'],
      },
      {
        says: 'no',
        because: 'every bare set builds the hands, and a strapped number says nothing about a bare single',
        schools: ['overhand-first', 'same-grip', 'bare-hands', 'hook-committed'],
      },
      {
        says: 'on pulls, and on snatches of three or more',
        because: 'the thumbs are kept for the lifts, which are never strapped alike',
        schools: ['weightlifting'],
      },
    ],
    settledBy: 'slips on heavy bare singles in months with and without strapped volume',
  },
  {
    id: 'point.grip-of-heavy-sets',
    question: 'Which bare grip for the heavy sets?',
    sides: [
      {
        says: 'double overhand until it fails',
        because: 'it is symmetrical and trains the hand most',
        schools: ['overhand-first', 'bare-hands'],
      },
      {
        says: 'hook',
        because: 'it is strong and symmetrical; the thumbs settle when everything is hooked',
        schools: ['hook-committed', 'weightlifting'],
      },
      {
        says: 'mixed, top and back-off alike',
        because: 'then the back-off set predicts the top set',
        schools: ['same-grip'],
      },
      {
        says: 'whichever holds better in the lifter’s own log',
        because: 'for some hook beats mixed, for others not',
        schools: ['strap-the-volume', 'strongman'],
      },
    ],
    settledBy: 'what hook and mixed are worth on the lifter’s clasp curve',
  },
  {
    id: 'point.hold-effort',
    question: 'How near the limit are holds taken?',
    sides: [
      {
        says: 'near the limit',
        because: 'the hand answers to loads close to what it must hold',
        schools: ['strap-the-volume', 'strongman'],
      },
      {
        says: 'moderate, three quarters of the predicted time',
        because: 'the pulls themselves do most of the work; holds only top it up',
        schools: ['overhand-first', 'same-grip'],
      },
      {
        says: 'about 60 % of the best time, never to failure',
        because: 'frequent easy holds build the hand without wearing skin and elbows',
        schools: ['bare-hands', 'hook-committed', 'weightlifting'],
      },
    ],
    settledBy: 'how the 10 s load moved over blocks of one kind and of the other',
  },
  {
    id: 'point.straps-for-sore-hands',
    question: 'Straps because the hands hurt, skin sound?',
    sides: [
      {
        says: 'yes',
        because: 'a day in straps spares the thumbs for what must be bare',
        schools: ['hook-committed', 'weightlifting', 'strongman'],
      },
      {
        says: 'no',
        because: 'comfort is no reason; torn skin and injured fingers are, in every school',
        schools: ['strap-the-volume', 'overhand-first', 'same-grip', 'bare-hands'],
      },
    ],
    settledBy: 'pain and skin after weeks of each',
  },
  {
    id: 'point.straps-for-novices',
    question: 'Straps in the first two years?',
    sides: [
      {
        says: 'no',
        because: 'hands never get a base if the straps come first',
        schools: ['overhand-first', 'bare-hands'],
      },
      {
        says: 'where the policy asks, from the start',
        because: 'the rest of the body need not wait for the hands',
        schools: ['strap-the-volume', 'hook-committed', 'same-grip', 'strongman'],
      },
      {
        says: 'for stiff novices who clench',
        because: 'loose arms are learnt sooner with the hands tied on',
        schools: ['weightlifting'],
      },
    ],
    settledBy: 'the bare-hand ceiling of lifters with the same months of training',
  },
  {
    id: 'point.asymmetry',
    question: 'Does one hand under all year twist the lifter?',
    sides: [
      {
        says: 'keep the practised side, all year',
        because: 'a heavy lift is no place for an unpractised side, and the turn of the hips is small',
        schools: ['same-grip'],
      },
      {
        says: 'change sides on light sets, or pull hooked or overhand',
        because: 'load-seconds on one side add up over a year, at the elbow and the biceps first',
        schools: [
          'overhand-first',
          'hook-committed',
          'bare-hands',
          'weightlifting',
          'strap-the-volume',
          'strongman',
        ],
      },
    ],
    settledBy: 'the mixed-grip ledger beside pain and squeeze of each side',
  },
  {
    id: 'point.hook-volume',
    question: 'How much of the volume is hooked?',
    sides: [
      {
        says: 'everything',
        because: 'the thumbs settle sooner when no set is spared',
        schools: ['hook-committed', 'weightlifting'],
      },
      {
        says: 'one or two top sets',
        because: 'skin is a budget, and the heavy sets are what it is for',
        schools: ['same-grip', 'strap-the-volume', 'overhand-first', 'bare-hands', 'strongman'],
      },
    ],
    settledBy: 'thumb skin and pain against hooked load-seconds, week by week',
  },
  {
    id: 'point.biceps-risk',
    question: 'Is the risk to the biceps of the hand under worth the grip?',
    sides: [
      {
        says: 'yes, with long arms',
        because: 'the bar cannot roll out, and an arm that stays straight carries little of it',
        schools: ['same-grip', 'strap-the-volume', 'overhand-first', 'bare-hands'],
      },
      {
        says: 'no: hook, or straps where they are allowed',
        because: 'a torn biceps costs a year, and nobody bends the elbow on purpose',
        schools: ['hook-committed', 'weightlifting', 'strongman'],
      },
    ],
    settledBy: 'bent elbows seen under mixed grip, and pain of that side; a flagged arm settles it at once',
  },
];
