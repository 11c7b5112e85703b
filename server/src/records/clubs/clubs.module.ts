import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { Club } from './club.entity.ts';
import { ClubsService } from './clubs.service.ts';

/** Clubs and their time zones. */
@Module({
  imports: [TypeOrmModule.forFeature([Club])],
  providers: [ClubsService],
  exports: [ClubsService],
})
export class ClubsModule {}
