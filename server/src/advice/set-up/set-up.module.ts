import { Module } from '@nestjs/common';
import { ExportsModule } from '../../records/exports/exports.module.ts';
import { ClubsModule } from '../../records/clubs/clubs.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { ProfilesAdviceModule } from '../profiles/profiles.module.ts';
import { SetUpService } from './set-up.service.ts';

/** A club that starts from nothing. */
@Module({
  imports: [ExportsModule, ClubsModule, KitModule, ProfilesAdviceModule],
  providers: [SetUpService],
  exports: [SetUpService],
})
export class SetUpModule {}
