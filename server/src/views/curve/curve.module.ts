import { Module } from '@nestjs/common';
import { CallsAdviceModule } from '../../advice/calls/calls.module.ts';
import { HoldsAdviceModule } from '../../advice/holds/holds.module.ts';
import { CurvesModule } from '../../evidence/curves/curves.module.ts';
import { LifterTodayModule } from '../../evidence/lifter-today/lifter-today.module.ts';
import { SessionFactsModule } from '../../evidence/session/session-facts.module.ts';
import { ChangesModule } from '../../records/changes/changes.module.ts';
import { SqueezeModule } from '../../records/squeeze/squeeze.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { CurveController } from './curve.controller.ts';
import { CurveViewService } from './curve.service.ts';

/** The clasp curve. */
@Module({
  imports: [
    ChangesModule,
    CallsAdviceModule,
    HoldsAdviceModule,
    CurvesModule,
    LifterTodayModule,
    SessionFactsModule,
    SqueezeModule,
    TrainingModule,
  ],
  controllers: [CurveController],
  providers: [CurveViewService],
})
export class CurveViewModule {}
