import { Module } from '@nestjs/common';
import { CallsAdviceModule } from '../../advice/calls/calls.module.ts';
import { HoldsAdviceModule } from '../../advice/holds/holds.module.ts';
import { OverridesAdviceModule } from '../../advice/overrides/overrides.module.ts';
import { PlanningAdviceModule } from '../../advice/planning/planning.module.ts';
import { SessionFactsModule } from '../../evidence/session/session-facts.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { CallsViewService } from './calls-view.service.ts';
import { CallsController } from './calls.controller.ts';

/** The calls of a session. */
@Module({
  imports: [
    CallsAdviceModule,
    HoldsAdviceModule,
    OverridesAdviceModule,
    PlanningAdviceModule,
    SessionFactsModule,
    KitModule,
  ],
  controllers: [CallsController],
  providers: [CallsViewService],
  exports: [CallsViewService],
})
export class CallsViewModule {}
