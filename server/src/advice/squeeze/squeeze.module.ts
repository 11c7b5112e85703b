import { Module } from '@nestjs/common';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { SqueezeModule } from '../../records/squeeze/squeeze.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { SqueezeKeeper } from './squeeze-keeper.ts';

/** Squeeze tests as they come in. */
@Module({
  imports: [LiftersModule, SqueezeModule, TrainingModule],
  providers: [SqueezeKeeper],
  exports: [SqueezeKeeper],
})
export class SqueezeAdviceModule {}
