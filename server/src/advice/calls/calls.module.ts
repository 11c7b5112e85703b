import { Module } from '@nestjs/common';
import { CurvesModule } from '../../evidence/curves/curves.module.ts';
import { SessionFactsModule } from '../../evidence/session/session-facts.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { CallsService } from './calls.service.ts';

/** Grip, straps and chalk for each set. */
@Module({
  imports: [CurvesModule, SessionFactsModule, KitModule, TrainingModule],
  providers: [CallsService],
  exports: [CallsService],
})
export class CallsAdviceModule {}
