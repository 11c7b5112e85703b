import { Module } from '@nestjs/common';
import { ChangesModule } from '../../records/changes/changes.module.ts';
import { HoldBlocksModule } from '../../records/hold-blocks/hold-blocks.module.ts';
import { GripperAttemptsModule } from '../../records/grippers/grippers.module.ts';
import { HoldSettingsModule } from '../../records/hold-settings/hold-settings.module.ts';
import { HoldDecisionsModule } from '../../records/hold-decisions/hold-decisions.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { SqueezeModule } from '../../records/squeeze/squeeze.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { CurvesModule } from '../curves/curves.module.ts';
import { LifterTodayModule } from '../lifter-today/lifter-today.module.ts';
import { HoldFactsService } from './hold-facts.service.ts';

/** What everything about a lifter's holds is worked out from. */
@Module({
  imports: [
    ChangesModule,
    CurvesModule,
    HoldBlocksModule,
    HoldDecisionsModule,
    HoldSettingsModule,
    GripperAttemptsModule,
    KitModule,
    LifterTodayModule,
    LogModule,
    SqueezeModule,
    TrainingModule,
  ],
  providers: [HoldFactsService],
  exports: [HoldFactsService],
})
export class HoldFactsModule {}
