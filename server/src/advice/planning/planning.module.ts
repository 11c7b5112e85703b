import { Module } from '@nestjs/common';
import { CallOverridesModule } from '../../records/call-overrides/call-overrides.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { HoldFactsModule } from '../../evidence/holds/hold-facts.module.ts';
import { LifterTodayModule } from '../../evidence/lifter-today/lifter-today.module.ts';
import { ForearmWorkService } from './forearm-work.service.ts';
import { ProgramWeeksService } from './program-weeks.service.ts';
import { ProgramsService } from './programs.service.ts';

/** Sessions and weeks as coaches write them. */
@Module({
  imports: [
    CallOverridesModule,
    HoldFactsModule,
    LifterTodayModule,
    KitModule,
    LiftersModule,
    LogModule,
    TrainingModule,
  ],
  providers: [ForearmWorkService, ProgramsService, ProgramWeeksService],
  exports: [ForearmWorkService, ProgramsService, ProgramWeeksService],
})
export class PlanningAdviceModule {}
