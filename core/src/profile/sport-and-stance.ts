/** Sports whose rules on straps and usual grips differ; what the list does not name is `other`, in the coach's own words. */
export const SPORTS = ['powerlifting', 'weightlifting', 'strongman', 'generalStrength', 'other'] as const;
export type Sport = (typeof SPORTS)[number];

/** How a lifter stands at the bar in a deadlift. */
export const STANCES = ['conventional', 'sumo', 'cleanGrip'] as const;
export type Stance = (typeof STANCES)[number];
