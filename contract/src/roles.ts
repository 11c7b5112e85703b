/** What people of a club may do, the most first. */
export const ROLES = ['owner', 'coach', 'assistant', 'follower', 'lifter'] as const;
export type Role = (typeof ROLES)[number];
/** Those that an owner gives; a lifter's account comes with the lifter. */
export const STAFF_ROLES = ['owner', 'coach', 'assistant', 'follower'] as const;
export type StaffRole = (typeof STAFF_ROLES)[number];

export const ROLE_NAMES: Readonly<Record<Role, string>> = {
  owner: 'Owner',
  coach: 'Coach',
  assistant: 'Assistant',
  follower: 'Follower',
  lifter: 'Lifter',
};

/** What each may do, as one would tell them. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  owner: 'does everything a coach does, and keeps people, settings and backups of the club',
  coach: 'programs, decides, runs the floor and logs, for every lifter of the club',
  assistant: 'reads everything, runs the floor, logs and looks at hands; changes no program',
  follower: 'reads, and changes nothing',
  lifter: 'reads and logs their own sessions',
};

/** Who programs and decides. */
export const PLANNING_ROLES: readonly Role[] = ['owner', 'coach'];
/** Who runs the floor and logs, for any lifter of the club. */
export const LOGGING_ROLES: readonly Role[] = ['owner', 'coach', 'assistant'];
