import { Module } from '@nestjs/common';
import { CurvesModule } from '../../evidence/curves/curves.module.ts';
import { HoldFactsModule } from '../../evidence/holds/hold-facts.module.ts';
import { HoldBlocksModule } from '../../records/hold-blocks/hold-blocks.module.ts';
import { HoldDecisionsModule } from '../../records/hold-decisions/hold-decisions.module.ts';
import { HoldSettingsModule } from '../../records/hold-settings/hold-settings.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { SqueezeModule } from '../../records/squeeze/squeeze.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { HoldPrescriber } from './hold-prescriber.ts';
import { PlanBlocksService } from './plan-blocks.service.ts';
import { SessionHoldPlansService } from './session-hold-plans.service.ts';
import { SessionHoldsService } from './session-holds.service.ts';

/** Prescribed holds, decisions on them, and blocks of them. */
@Module({
  imports: [
    CurvesModule,
    HoldFactsModule,
    HoldBlocksModule,
    HoldDecisionsModule,
    HoldSettingsModule,
    LiftersModule,
    LogModule,
    SqueezeModule,
    TrainingModule,
  ],
  providers: [HoldPrescriber, PlanBlocksService, SessionHoldPlansService, SessionHoldsService],
  exports: [PlanBlocksService, SessionHoldPlansService, SessionHoldsService],
})
export class HoldsAdviceModule {}
