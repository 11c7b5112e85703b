import { Module } from '@nestjs/common';
import { KitModule } from '../../records/kit/kit.module.ts';
import { MeetsModule } from '../../records/meets/meets.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { LoggingService } from './logging.service.ts';

/** Sets and holds as somebody logs them. */
@Module({
  imports: [KitModule, LogModule, MeetsModule, TrainingModule],
  providers: [LoggingService],
  exports: [LoggingService],
})
export class LoggingAdviceModule {}
