import { FirstHouse1764000000000 } from './0001-initial-schema.ts';
import { OverridesAndHands1764100000000 } from './0002-overrides-and-hands.ts';
import { LiftersEdited1764200000000 } from './0003-lifters-edited.ts';
import { SessionLines1764300000000 } from './0004-session-lines.ts';
import { Kit1764400000000 } from './0005-kit.ts';
import { Profiles1764500000000 } from './0006-profiles.ts';
import { RepeatedWeeks1764600000000 } from './0007-repeated-weeks.ts';
import { ClubSchools1764700000000 } from './0008-club-schools.ts';
import { Sharing1764800000000 } from './0009-sharing.ts';
import { TheFloor1764900000000 } from './0010-the-floor.ts';
import { MeetsWritten1765000000000 } from './0011-meets-written.ts';
import { SqueezeAndGrippers1765100000000 } from './0012-squeeze-and-grippers.ts';
import { HoldsPlanned1765200000000 } from './0013-holds-planned.ts';

/**
 * The schema as it was when one folder held all migrations. A migration that has been run keeps its name, so these stay;
 * newer ones stand in the folder of the noun whose tables they change.
 */
export const FIRST_MIGRATIONS = [
  FirstHouse1764000000000,
  OverridesAndHands1764100000000,
  LiftersEdited1764200000000,
  SessionLines1764300000000,
  Kit1764400000000,
  Profiles1764500000000,
  RepeatedWeeks1764600000000,
  ClubSchools1764700000000,
  Sharing1764800000000,
  TheFloor1764900000000,
  MeetsWritten1765000000000,
  SqueezeAndGrippers1765100000000,
  HoldsPlanned1765200000000,
];
