import { Module } from '@nestjs/common';
import { MistakesModule } from '../../evidence/mistakes/mistakes.module.ts';
import { AuditsAdviceModule } from '../../advice/audits/audits.module.ts';
import { LoggingAdviceModule } from '../../advice/logging/logging.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { CallsViewModule } from '../calls/calls.module.ts';
import { FloorViewModule } from '../floor/floor.module.ts';
import { LogController } from './log.controller.ts';
import { LogViewService } from './log.service.ts';

/** The log, and logging. */
@Module({
  imports: [
    AuditsAdviceModule,
    LoggingAdviceModule,
    LiftersModule,
    LogModule,
    CallsViewModule,
    FloorViewModule,
    MistakesModule,
  ],
  controllers: [LogController],
  providers: [LogViewService],
})
export class LogViewModule {}
