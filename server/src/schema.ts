import { FIRST_MIGRATIONS } from './records/schema/index.ts';
import { ClubTimeZone1766000000014 } from './records/clubs/migrations/0014-club-time-zone.ts';
import { AccountsRemoved1766000000015 } from './records/accounts/migrations/0015-accounts-removed.ts';
import { LiftersOfAClub1766000000016 } from './records/lifters/migrations/0016-lifters-of-a-club.ts';
import { HandsChecksOfAClub1766000000017 } from './records/hands-checks/migrations/0017-hands-checks-of-a-club.ts';
import { MeetsOfAClub1766000000018 } from './records/meets/migrations/0018-meets-of-a-club.ts';
import { SessionsOfAClub1766000000019 } from './records/training/migrations/0019-sessions-of-a-club.ts';
import { SeasonMarksOfAClub1766000000020 } from './records/hold-blocks/migrations/0020-season-marks-of-a-club.ts';
import { LogOfAClub1766000000021 } from './records/log/migrations/0021-log-of-a-club.ts';
import { CallOverridesOfAClub1766000000022 } from './records/call-overrides/migrations/0022-call-overrides-of-a-club.ts';
import { HoldDecisionsOfAClub1766000000023 } from './records/hold-decisions/migrations/0023-hold-decisions-of-a-club.ts';
import { SqueezeTestsOfAClub1766000000024 } from './records/squeeze/migrations/0024-squeeze-tests-of-a-club.ts';
import { GripperAttemptsOfAClub1766000000025 } from './records/grippers/migrations/0025-gripper-attempts-of-a-club.ts';
import { LinksOfAClub1766000000026 } from './records/sharing/migrations/0026-links-of-a-club.ts';
import { LogKeepsWhatWasHeld1766000000027 } from './records/log/migrations/0027-log-keeps-what-was-held.ts';
import { SportAndStance1766000000028 } from './records/lifters/migrations/0028-sport-and-stance.ts';
import { HowTheBestWasPulled1766000000029 } from './records/lifters/migrations/0029-how-the-best-was-pulled.ts';
import { PlaceAndBar1766000000030 } from './records/meets/migrations/0030-place-and-bar.ts';
import { WhatALineSays1766000000031 } from './records/training/migrations/0031-what-a-line-says.ts';
import { SweatAndSigns1766000000032 } from './records/log/migrations/0032-sweat-and-signs.ts';
import { SeveralHoldsASession1766000000033 } from './records/training/migrations/0033-several-holds-a-session.ts';
import { HoldSettings1766000000034 } from './records/hold-settings/migrations/0034-hold-settings.ts';
import { PinsAndEndings1766000000035 } from './records/log/migrations/0035-pins-and-endings.ts';
import { OwnRulesOfASession1766000000036 } from './records/training/migrations/0036-own-rules-of-a-session.ts';
import { DecisionsThatRepeat1766000000037 } from './records/call-overrides/migrations/0037-decisions-that-repeat.ts';
import { Audits1766000000038 } from './records/training/migrations/0038-audits.ts';
import { EventsOfAMeet1766000000039 } from './records/meets/migrations/0039-events-of-a-meet.ts';
import { KeptCurves1766000000040 } from './records/kept-curves/migrations/0040-kept-curves.ts';
import { ClubsOfTheirOwn1766000000041 } from './records/clubs/migrations/0041-clubs-of-their-own.ts';
import { People1766000000042 } from './records/accounts/migrations/0042-people.ts';
import { StaffInvited1766000000043 } from './records/sharing/migrations/0043-staff-invited.ts';
import { Deeds1766000000044 } from './records/deeds/migrations/0044-deeds.ts';
import { Backups1766000000045 } from './records/backups/migrations/0045-backups.ts';
import { WhatALinkShows1766000000046 } from './records/sharing/migrations/0046-what-a-link-shows.ts';
import { Imports1766000000047 } from './records/imports/migrations/0047-imports.ts';
import { LaneStands1766000000048 } from './records/lane-stands/migrations/0048-lane-stands.ts';
import { KeptBackTests1766000000049 } from './records/kept-curves/migrations/0049-kept-back-tests.ts';
import { LogVersions1766000000050 } from './records/log/migrations/0050-log-versions.ts';
import { Library1766000000051 } from './records/library/migrations/0051-library.ts';
import { AccountsWithoutPassword1766000000052 } from './records/accounts/migrations/0052-accounts-without-password.ts';
import { TestsBySession1766000000053 } from './records/squeeze/migrations/0053-tests-by-session.ts';
import { CorrectionsByLifter1766000000054 } from './records/log/migrations/0054-corrections-by-lifter.ts';
import { ApiTokens1766000000055 } from './records/api-tokens/migrations/0055-api-tokens.ts';
import { FilesOfEveryKind1766000000056 } from './records/imports/migrations/0056-files-of-every-kind.ts';
import { LinksToAClub1766000000057 } from './records/sharing/migrations/0057-links-to-a-club.ts';
import { WhoUndidIt1766000000058 } from './records/log/migrations/0058-who-undid-it.ts';
import { WhatIsDeletedIsFound1766000000060 } from './records/log/migrations/0060-what-is-deleted-is-found.ts';
import { MinuteLimits1766000000061 } from './records/accounts/migrations/0061-minute-limits.ts';
import { Changes1766000000059 } from './records/changes/migrations/0059-changes.ts';

/** Every change of the schema, in order; each stands in the folder of the noun whose tables it changes. */
export const MIGRATIONS = [
  ...FIRST_MIGRATIONS,
  ClubTimeZone1766000000014,
  AccountsRemoved1766000000015,
  LiftersOfAClub1766000000016,
  HandsChecksOfAClub1766000000017,
  MeetsOfAClub1766000000018,
  SessionsOfAClub1766000000019,
  SeasonMarksOfAClub1766000000020,
  LogOfAClub1766000000021,
  CallOverridesOfAClub1766000000022,
  HoldDecisionsOfAClub1766000000023,
  SqueezeTestsOfAClub1766000000024,
  GripperAttemptsOfAClub1766000000025,
  LinksOfAClub1766000000026,
  LogKeepsWhatWasHeld1766000000027,
  SportAndStance1766000000028,
  HowTheBestWasPulled1766000000029,
  PlaceAndBar1766000000030,
  WhatALineSays1766000000031,
  SweatAndSigns1766000000032,
  SeveralHoldsASession1766000000033,
  HoldSettings1766000000034,
  PinsAndEndings1766000000035,
  OwnRulesOfASession1766000000036,
  DecisionsThatRepeat1766000000037,
  Audits1766000000038,
  EventsOfAMeet1766000000039,
  KeptCurves1766000000040,
  ClubsOfTheirOwn1766000000041,
  People1766000000042,
  StaffInvited1766000000043,
  Deeds1766000000044,
  Backups1766000000045,
  WhatALinkShows1766000000046,
  Imports1766000000047,
  LaneStands1766000000048,
  KeptBackTests1766000000049,
  LogVersions1766000000050,
  Library1766000000051,
  AccountsWithoutPassword1766000000052,
  TestsBySession1766000000053,
  CorrectionsByLifter1766000000054,
  ApiTokens1766000000055,
  FilesOfEveryKind1766000000056,
  LinksToAClub1766000000057,
  WhoUndidIt1766000000058,
  Changes1766000000059,
  WhatIsDeletedIsFound1766000000060,
  MinuteLimits1766000000061,
];
