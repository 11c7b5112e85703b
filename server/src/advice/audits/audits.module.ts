import { Module } from '@nestjs/common';
import { SessionFactsModule } from '../../evidence/session/session-facts.module.ts';
import { LifterTodayModule } from '../../evidence/lifter-today/lifter-today.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { CallsAdviceModule } from '../calls/calls.module.ts';
import { AuditsService } from './audits.service.ts';

/** Grip audits: what little has to be held to know what the hands hold. */
@Module({
  imports: [CallsAdviceModule, KitModule, LifterTodayModule, SessionFactsModule, TrainingModule],
  providers: [AuditsService],
  exports: [AuditsService],
})
export class AuditsAdviceModule {}
