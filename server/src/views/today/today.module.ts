import { Module } from '@nestjs/common';
import { ChangesModule } from '../../records/changes/changes.module.ts';
import { HandsChecksModule } from '../../records/hands-checks/hands-checks.module.ts';
import { HoldBlocksModule } from '../../records/hold-blocks/hold-blocks.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { MeetsModule } from '../../records/meets/meets.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { HoldFactsModule } from '../../evidence/holds/hold-facts.module.ts';
import { BarUseModule } from '../../evidence/kit/bar-use.module.ts';
import { SessionFactsModule } from '../../evidence/session/session-facts.module.ts';
import { CallsAdviceModule } from '../../advice/calls/calls.module.ts';
import { HoldsAdviceModule } from '../../advice/holds/holds.module.ts';
import { ClubViewModule } from '../club/club.module.ts';
import { TodayController } from './today.controller.ts';
import { OwnDayService } from './own-day.service.ts';
import { TodayService } from './today.service.ts';
import { WeekAheadService } from './week-ahead.service.ts';

/** Home: who trains today, what is to be decided, and the week ahead. */
@Module({
  imports: [
    ChangesModule,
    BarUseModule,
    CallsAdviceModule,
    ClubViewModule,
    HandsChecksModule,
    HoldBlocksModule,
    HoldFactsModule,
    HoldsAdviceModule,
    KitModule,
    LiftersModule,
    MeetsModule,
    SessionFactsModule,
    TrainingModule,
  ],
  controllers: [TodayController],
  providers: [OwnDayService, TodayService, WeekAheadService],
})
export class TodayViewModule {}
