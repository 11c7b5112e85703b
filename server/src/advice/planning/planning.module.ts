import { Module } from '@nestjs/common';
import { CallOverridesModule } from '../../records/call-overrides/call-overrides.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LibraryModule } from '../../records/library/library.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { HoldFactsModule } from '../../evidence/holds/hold-facts.module.ts';
import { LifterTodayModule } from '../../evidence/lifter-today/lifter-today.module.ts';
import { CopiesService } from './copies.service.ts';
import { ForearmWorkService } from './forearm-work.service.ts';
import { PlanSourcesService } from './plan-sources.service.ts';
import { ProgramWeeksService } from './program-weeks.service.ts';
import { ProgramsService } from './programs.service.ts';

/** Sessions and weeks as coaches write them. */
@Module({
  imports: [
    CallOverridesModule,
    HoldFactsModule,
    LifterTodayModule,
    KitModule,
    LibraryModule,
    LiftersModule,
    LogModule,
    TrainingModule,
  ],
  providers: [CopiesService, ForearmWorkService, PlanSourcesService, ProgramsService, ProgramWeeksService],
  exports: [CopiesService, ForearmWorkService, PlanSourcesService, ProgramsService, ProgramWeeksService],
})
export class PlanningAdviceModule {}
