import { Module } from '@nestjs/common';
import { CallsAdviceModule } from '../../advice/calls/calls.module.ts';
import { CurvesModule } from '../../evidence/curves/curves.module.ts';
import { HookModule } from '../../evidence/hook/hook.module.ts';
import { LifterTodayModule } from '../../evidence/lifter-today/lifter-today.module.ts';
import { HandsChecksModule } from '../../records/hands-checks/hands-checks.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { HandsController } from './hands.controller.ts';
import { HandsViewService } from './hands.service.ts';

/** The hands over time. */
@Module({
  imports: [CallsAdviceModule, CurvesModule, HookModule, LifterTodayModule, HandsChecksModule, LogModule],
  controllers: [HandsController],
  providers: [HandsViewService],
})
export class HandsViewModule {}
