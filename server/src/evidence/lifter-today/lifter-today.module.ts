import { Module } from '@nestjs/common';
import { HandsChecksModule } from '../../records/hands-checks/hands-checks.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { MeetsModule } from '../../records/meets/meets.module.ts';
import { SchoolsModule } from '../../records/schools/schools.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { LifterTodayService } from './lifter-today.service.ts';

/** A lifter as a call has to know them today. */
@Module({
  imports: [HandsChecksModule, KitModule, LiftersModule, MeetsModule, SchoolsModule, TrainingModule],
  providers: [LifterTodayService],
  exports: [LifterTodayService],
})
export class LifterTodayModule {}
