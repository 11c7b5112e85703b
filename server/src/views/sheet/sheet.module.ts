import { Module } from '@nestjs/common';
import { LifterTodayModule } from '../../evidence/lifter-today/lifter-today.module.ts';
import { HoldBlocksModule } from '../../records/hold-blocks/hold-blocks.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { SheetController } from './sheet.controller.ts';
import { SheetService } from './sheet.service.ts';

/** One lifter and the weeks around today. */
@Module({
  imports: [LifterTodayModule, HoldBlocksModule, LogModule, TrainingModule],
  controllers: [SheetController],
  providers: [SheetService],
})
export class SheetViewModule {}
