import { Module } from '@nestjs/common';
import { LifterTodayModule } from '../../evidence/lifter-today/lifter-today.module.ts';
import { CurvesModule } from '../../evidence/curves/curves.module.ts';
import { SessionFactsModule } from '../../evidence/session/session-facts.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { CallsService } from './calls.service.ts';
import { LinePreviewsService } from './line-previews.service.ts';
import { WeekMarksService } from './week-marks.service.ts';

/** Grip, straps and chalk for each set. */
@Module({
  imports: [LifterTodayModule, CurvesModule, SessionFactsModule, KitModule, TrainingModule],
  providers: [CallsService, LinePreviewsService, WeekMarksService],
  exports: [CallsService, LinePreviewsService, WeekMarksService],
})
export class CallsAdviceModule {}
