import { Module } from '@nestjs/common';
import { CallsAdviceModule } from '../../advice/calls/calls.module.ts';
import { PlanningAdviceModule } from '../../advice/planning/planning.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { ProgramsController } from './programs.controller.ts';

/** Sessions as they are written. */
@Module({
  imports: [CallsAdviceModule, PlanningAdviceModule, KitModule],
  controllers: [ProgramsController],
})
export class ProgramViewModule {}
