import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { ClubsModule } from '../clubs/clubs.module.ts';
import { Backup } from './backup.entity.ts';
import { BackupsService } from './backups.service.ts';

/** Backups of the whole database, every night and when asked. */
@Module({
  imports: [TypeOrmModule.forFeature([Backup]), ClubsModule],
  providers: [BackupsService],
  exports: [BackupsService],
})
export class BackupsModule {}
