import { Module } from '@nestjs/common';
import { ChangesModule } from '../../records/changes/changes.module.ts';
import { HandsChecksModule } from '../../records/hands-checks/hands-checks.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { MeetsModule } from '../../records/meets/meets.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { RackController } from './rack.controller.ts';
import { RackService } from './rack.service.ts';

/** The rack, who trains today, and the archive. */
@Module({
  imports: [
    ChangesModule,
    HandsChecksModule,
    KitModule,
    LiftersModule,
    LogModule,
    MeetsModule,
    TrainingModule,
  ],
  controllers: [RackController],
  providers: [RackService],
})
export class RackViewModule {}
