import { Module } from '@nestjs/common';
import { CallsAdviceModule } from '../calls/calls.module.ts';
import { SessionFactsModule } from '../../evidence/session/session-facts.module.ts';
import { CallOverridesModule } from '../../records/call-overrides/call-overrides.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { OverridesService } from './overrides.service.ts';

/** Decisions of a coach against a call. */
@Module({
  imports: [CallsAdviceModule, SessionFactsModule, CallOverridesModule, TrainingModule, LogModule],
  providers: [OverridesService],
  exports: [OverridesService],
})
export class OverridesAdviceModule {}
