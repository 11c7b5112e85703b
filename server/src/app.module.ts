import { Module, type DynamicModule } from '@nestjs/common';
import { ScheduleModule } from '@nestjs/schedule';
import type { Config } from './platform/config/config.ts';
import { ConfigModule } from './platform/config/config.module.ts';
import { DatabaseModule } from './platform/database/database.module.ts';
import { PlatformModule } from './platform/platform.module.ts';
import { DeedsModule } from './records/deeds/deeds.module.ts';
import { AccountsModule } from './records/accounts/accounts.module.ts';
import { MIGRATIONS } from './schema.ts';
import { AccountViewModule } from './views/account/account.module.ts';
import { ExportsViewModule } from './views/exports/exports.module.ts';
import { ApiTokensViewModule } from './views/api-tokens/api-tokens.module.ts';
import { BackupsViewModule } from './views/backups/backups.module.ts';
import { CallsViewModule } from './views/calls/calls.module.ts';
import { ClubViewModule } from './views/club/club.module.ts';
import { CompareViewModule } from './views/compare/compare.module.ts';
import { CurveViewModule } from './views/curve/curve.module.ts';
import { FloorViewModule } from './views/floor/floor.module.ts';
import { GrippersViewModule } from './views/grippers/grippers.module.ts';
import { HandsViewModule } from './views/hands/hands.module.ts';
import { HealthViewModule } from './views/health/health.module.ts';
import { HoldsViewModule } from './views/holds/holds.module.ts';
import { ImportsViewModule } from './views/imports/imports.module.ts';
import { KitViewModule } from './views/kit/kit.module.ts';
import { LogViewModule } from './views/log/log.module.ts';
import { PeopleViewModule } from './views/people/people.module.ts';
import { PracticeViewModule } from './views/practice/practice.module.ts';
import { ProfileViewModule } from './views/profile/profile.module.ts';
import { ProgramViewModule } from './views/program/program.module.ts';
import { RackViewModule } from './views/rack/rack.module.ts';
import { SetUpViewModule } from './views/set-up/set-up.module.ts';
import { SharedViewModule } from './views/shared/shared.module.ts';
import { SheetViewModule } from './views/sheet/sheet.module.ts';
import { SqueezeViewModule } from './views/squeeze/squeeze.module.ts';
import { TodayViewModule } from './views/today/today.module.ts';

@Module({})
export class AppModule {
  static with(config: Config): DynamicModule {
    return {
      module: AppModule,
      imports: [
        ConfigModule.with(config),
        DatabaseModule.with(config.databaseUrl, MIGRATIONS),
        ScheduleModule.forRoot(),
        PlatformModule,
        AccountsModule,
        DeedsModule,
        AccountViewModule,
        ExportsViewModule,
        ApiTokensViewModule,
        BackupsViewModule,
        CallsViewModule,
        ClubViewModule,
        CompareViewModule,
        CurveViewModule,
        FloorViewModule,
        GrippersViewModule,
        HandsViewModule,
        HealthViewModule,
        HoldsViewModule,
        ImportsViewModule,
        KitViewModule,
        LogViewModule,
        PeopleViewModule,
        PracticeViewModule,
        ProfileViewModule,
        ProgramViewModule,
        RackViewModule,
        SetUpViewModule,
        SharedViewModule,
        SheetViewModule,
        SqueezeViewModule,
        TodayViewModule,
      ],
    };
  }
}
