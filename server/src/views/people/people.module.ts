import { Module } from '@nestjs/common';
import { ClubsModule } from '../../records/clubs/clubs.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { SharingModule } from '../../records/sharing/sharing.module.ts';
import { ClubSettingsController } from './club-settings.controller.ts';
import { DeedsViewService } from './deeds-view.service.ts';
import { PasswordLinksController } from './password-links.controller.ts';
import { PeopleController } from './people.controller.ts';

/** The people of a club, its settings, and who did what. */
@Module({
  imports: [ClubsModule, LiftersModule, SharingModule],
  controllers: [PeopleController, ClubSettingsController, PasswordLinksController],
  providers: [DeedsViewService],
})
export class PeopleViewModule {}
