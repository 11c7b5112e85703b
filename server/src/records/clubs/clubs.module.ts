import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { Club, SetUpCode } from './club.entity.ts';
import { ClubsService } from './clubs.service.ts';
import { SetUpCodes } from './set-up-codes.ts';

/** Clubs, their time zones and settings, and the codes that start one. */
@Module({
  imports: [TypeOrmModule.forFeature([Club, SetUpCode])],
  providers: [ClubsService, SetUpCodes],
  exports: [ClubsService, SetUpCodes],
})
export class ClubsModule {}
