import { Module } from '@nestjs/common';
import { ProfilesAdviceModule } from '../../advice/profiles/profiles.module.ts';
import { LifterTodayModule } from '../../evidence/lifter-today/lifter-today.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { MeetsModule } from '../../records/meets/meets.module.ts';
import { SharingModule } from '../../records/sharing/sharing.module.ts';
import { ProfileController } from './profile.controller.ts';
import { ProfileViewService } from './profile.service.ts';

/** Everything about a lifter that a coach may change. */
@Module({
  imports: [ProfilesAdviceModule, LifterTodayModule, LiftersModule, MeetsModule, SharingModule],
  controllers: [ProfileController],
  providers: [ProfileViewService],
})
export class ProfileViewModule {}
