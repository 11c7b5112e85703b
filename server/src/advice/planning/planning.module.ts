import { Module } from '@nestjs/common';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { ProgramsService } from './programs.service.ts';

/** Sessions and weeks as coaches write them. */
@Module({
  imports: [KitModule, LiftersModule, LogModule, TrainingModule],
  providers: [ProgramsService],
  exports: [ProgramsService],
})
export class PlanningAdviceModule {}
