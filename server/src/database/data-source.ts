import { DataSource } from 'typeorm';
import { CallOverrideRow, CallOverrideSet } from '../calls/override.entity.ts';
import { Account, SignIn } from '../accounts/account.entity.ts';
import { Club } from '../accounts/club.entity.ts';
import { Bar, BarBrushing, Dynamometer, Gripper, Handle, PinRack, Plate, Venue } from '../kit/kit.entity.ts';
import { HoldDecisionRow } from '../holds/hold-decision.entity.ts';
import { GripperAttemptRow } from '../grippers/gripper-attempt.entity.ts';
import {
  HandsCheck,
  Lifter,
  LifterChange,
  LifterHistory,
  Meet,
  SeasonMarkRow,
} from '../lifters/lifter.entity.ts';
import { LogCorrection, LoggedHold, LoggedSet } from '../log/log.entity.ts';
import { ClubSchool, ClubSchoolVersion } from '../schools/school.entity.ts';
import { Invitation, ShareLink } from '../sharing/sharing.entity.ts';
import { SqueezeProtocolRow, SqueezeTestRow, SqueezeTraceRow } from '../squeeze/squeeze.entity.ts';
import { PlannedSet, TrainingSession } from '../training/training.entity.ts';
import { FirstHouse1764000000000 } from './migrations/1-first-house.ts';
import { LiftersEdited1764200000000 } from './migrations/3-lifters-edited.ts';
import { OverridesAndHands1764100000000 } from './migrations/2-overrides-and-hands.ts';
import { SessionLines1764300000000 } from './migrations/4-session-lines.ts';
import { Kit1764400000000 } from './migrations/5-kit.ts';
import { Profiles1764500000000 } from './migrations/6-profiles.ts';
import { RepeatedWeeks1764600000000 } from './migrations/7-repeated-weeks.ts';
import { ClubSchools1764700000000 } from './migrations/8-club-schools.ts';
import { Sharing1764800000000 } from './migrations/9-sharing.ts';
import { TheFloor1764900000000 } from './migrations/10-the-floor.ts';
import { MeetsWritten1765000000000 } from './migrations/11-meets-written.ts';
import { SqueezeAndGrippers1765100000000 } from './migrations/12-squeeze-and-grippers.ts';
import { HoldsPlanned1765200000000 } from './migrations/13-holds-planned.ts';
import { SnakeNaming } from './snake-naming.ts';

/** Every table of the product. */
export const ENTITIES = [
  Club,
  Account,
  SignIn,
  Venue,
  Bar,
  BarBrushing,
  Plate,
  Handle,
  Gripper,
  PinRack,
  Dynamometer,
  ClubSchool,
  ClubSchoolVersion,
  ShareLink,
  Invitation,
  Lifter,
  LifterHistory,
  LifterChange,
  HandsCheck,
  Meet,
  SeasonMarkRow,
  TrainingSession,
  PlannedSet,
  LoggedSet,
  LoggedHold,
  LogCorrection,
  CallOverrideRow,
  CallOverrideSet,
  SqueezeProtocolRow,
  SqueezeTestRow,
  SqueezeTraceRow,
  GripperAttemptRow,
  HoldDecisionRow,
];

/** The connection to PostgreSQL; migrations are run on connecting, never schema sync. */
export function dataSource(databaseUrl: string): DataSource {
  return new DataSource({
    type: 'postgres',
    url: databaseUrl,
    entities: ENTITIES,
    migrations: [
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
    ],
    migrationsRun: true,
    namingStrategy: new SnakeNaming(),
    poolSize: 10,
    connectTimeoutMS: 5000,
    extra: { statement_timeout: 15_000, idle_in_transaction_session_timeout: 15_000 },
  });
}
