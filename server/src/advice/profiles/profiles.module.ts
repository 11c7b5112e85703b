import { Module } from '@nestjs/common';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { SchoolsModule } from '../../records/schools/schools.module.ts';
import { ProfilesService } from './profiles.service.ts';

/** Lifters as coaches write them. */
@Module({
  imports: [LiftersModule, SchoolsModule],
  providers: [ProfilesService],
  exports: [ProfilesService],
})
export class ProfilesAdviceModule {}
