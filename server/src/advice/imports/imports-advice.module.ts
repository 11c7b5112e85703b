import { Module } from '@nestjs/common';
import { ImportsModule } from '../../records/imports/imports.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { SqueezeModule } from '../../records/squeeze/squeeze.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { ProfilesAdviceModule } from '../profiles/profiles.module.ts';
import { BringInService } from './bring-in.service.ts';
import { HandFiles } from './hand-files.service.ts';
import { LifterFiles } from './lifter-files.service.ts';
import { TrainingFiles } from './training-files.service.ts';

/** Tables read from files. */
@Module({
  imports: [ImportsModule, KitModule, LiftersModule, ProfilesAdviceModule, SqueezeModule, TrainingModule],
  providers: [BringInService, HandFiles, LifterFiles, TrainingFiles],
  exports: [BringInService],
})
export class ImportsAdviceModule {}
