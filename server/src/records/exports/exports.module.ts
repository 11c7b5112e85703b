import { Module } from '@nestjs/common';
import { ClubsModule } from '../clubs/clubs.module.ts';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { ExportReader } from './export-reader.ts';
import { ExportWriter } from './export-writer.ts';
import { ExportsService } from './exports.service.ts';

/** Clubs and lifters as files that come back. */
@Module({
  imports: [ClubsModule, LiftersModule],
  providers: [ExportReader, ExportWriter, ExportsService],
  exports: [ExportsService],
})
export class ExportsModule {}
