import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { AccountsModule } from '../accounts/accounts.module.ts';
import { ClubsModule } from '../clubs/clubs.module.ts';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { ShareLink, Invitation } from './sharing.entity.ts';
import { SharingRepository } from './sharing.repository.ts';
import { SharingService } from './sharing.service.ts';

/** Read-only links and invitations. */
@Module({
  imports: [TypeOrmModule.forFeature([ShareLink, Invitation]), AccountsModule, ClubsModule, LiftersModule],
  providers: [SharingRepository, SharingService],
  exports: [SharingService],
})
export class SharingModule {}
