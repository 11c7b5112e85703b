import { Module } from '@nestjs/common';
import { HoldBlocksModule } from '../../records/hold-blocks/hold-blocks.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { MeetsModule } from '../../records/meets/meets.module.ts';
import { SharingModule } from '../../records/sharing/sharing.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { CallsViewModule } from '../calls/calls.module.ts';
import { SharedViewService } from './shared.service.ts';
import { SharingController } from './sharing.controller.ts';

/** Links, invitations, and what their holders see. */
@Module({
  imports: [
    HoldBlocksModule,
    KitModule,
    LiftersModule,
    MeetsModule,
    SharingModule,
    TrainingModule,
    CallsViewModule,
  ],
  controllers: [SharingController],
  providers: [SharedViewService],
})
export class SharedViewModule {}
