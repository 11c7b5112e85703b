import { Module } from '@nestjs/common';
import { CurvesModule } from '../../evidence/curves/curves.module.ts';
import { ChangesModule } from '../../records/changes/changes.module.ts';
import { HandsChecksModule } from '../../records/hands-checks/hands-checks.module.ts';
import { HoldBlocksModule } from '../../records/hold-blocks/hold-blocks.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { MeetsModule } from '../../records/meets/meets.module.ts';
import { SqueezeModule } from '../../records/squeeze/squeeze.module.ts';
import { HookModule } from '../../evidence/hook/hook.module.ts';
import { LifterTodayModule } from '../../evidence/lifter-today/lifter-today.module.ts';
import { ClubCurvesService } from './club-curves.service.ts';
import { ClubController } from './club.controller.ts';
import { ClubService } from './club.service.ts';

/** Who needs the coach, over all lifters. */
@Module({
  imports: [
    ChangesModule,
    CurvesModule,
    HandsChecksModule,
    HoldBlocksModule,
    HookModule,
    LifterTodayModule,
    LiftersModule,
    LogModule,
    MeetsModule,
    SqueezeModule,
  ],
  controllers: [ClubController],
  providers: [ClubCurvesService, ClubService],
  exports: [ClubService],
})
export class ClubViewModule {}
