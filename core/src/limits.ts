/**
 * Bounds of what a person can have done, and of what can be told about one: past them a figure is a typing or unit mistake.
 * One file for all who check: loads kg, times s, lengths mm, masses kg.
 */
export const LIMITS = {
  /** On a bar, in a hand, or added to a body. */
  load: { min: 1, max: 600 },
  /** A best deadlift; below it a beginner has no best to count from. */
  best: { min: 20, max: 600 },
  holdSeconds: { min: 0.5, max: 600 },
  holdTarget: { min: 1, max: 600 },
  holdSets: { min: 1, max: 10 },
  reps: { min: 1, max: 100 },
  usualReps: { min: 1, max: 30 },
  pain: { min: 0, max: 10 },
  confidence: { min: 1, max: 5 },
  threshold: { min: 0.5, max: 0.999 },
  handLength: { min: 100, max: 300 },
  handSpan: { min: 100, max: 350 },
  bodyMass: { min: 25, max: 300 },
  barDiameter: { min: 20, max: 120 },
  /** Of a rack's hole above the floor. */
  pinHeight: { min: 50, max: 3000 },
  /** Days that can be written: nothing of this trade lies further off. */
  day: { min: '1950-01-01', max: '2099-12-31' },
  /** Years ahead that a session or meet can lie. */
  yearsAhead: 5,
} as const;
