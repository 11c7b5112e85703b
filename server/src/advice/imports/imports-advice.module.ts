import { Module } from '@nestjs/common';
import { ImportsModule } from '../../records/imports/imports.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { BringInService } from './bring-in.service.ts';

/** Past training read from files. */
@Module({
  imports: [ImportsModule, KitModule, LiftersModule, TrainingModule],
  providers: [BringInService],
  exports: [BringInService],
})
export class ImportsAdviceModule {}
