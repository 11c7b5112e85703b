import { Module } from '@nestjs/common';
import { SetUpModule } from '../../advice/set-up/set-up.module.ts';
import { ExportsModule } from '../../records/exports/exports.module.ts';
import { ClubsModule } from '../../records/clubs/clubs.module.ts';
import { ClubExportController } from './club-export.controller.ts';
import { LifterExportController } from './lifter-export.controller.ts';

/** Exports taken out and brought in, and what is deleted once they are. */
@Module({
  imports: [ExportsModule, ClubsModule, SetUpModule],
  controllers: [ClubExportController, LifterExportController],
})
export class ExportsViewModule {}
