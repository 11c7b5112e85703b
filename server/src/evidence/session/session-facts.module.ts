import { Module } from '@nestjs/common';
import { CallOverridesModule } from '../../records/call-overrides/call-overrides.module.ts';
import { ChangesModule } from '../../records/changes/changes.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { SchoolsModule } from '../../records/schools/schools.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { CurvesModule } from '../curves/curves.module.ts';
import { LifterTodayModule } from '../lifter-today/lifter-today.module.ts';
import { SessionFactsService } from './session-facts.service.ts';

/** What the calls of a session rest on. */
@Module({
  imports: [
    CallOverridesModule,
    ChangesModule,
    CurvesModule,
    KitModule,
    LifterTodayModule,
    LogModule,
    SchoolsModule,
    TrainingModule,
  ],
  providers: [SessionFactsService],
  exports: [SessionFactsService],
})
export class SessionFactsModule {}
