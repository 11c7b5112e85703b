import { Module } from '@nestjs/common';
import { CallsAdviceModule } from '../../advice/calls/calls.module.ts';
import { PlanningAdviceModule } from '../../advice/planning/planning.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LibraryModule } from '../../records/library/library.module.ts';
import { LibraryController } from './library.controller.ts';
import { ProgramsController } from './programs.controller.ts';

/** Sessions as they are written. */
@Module({
  imports: [CallsAdviceModule, PlanningAdviceModule, KitModule, LibraryModule],
  controllers: [LibraryController, ProgramsController],
})
export class ProgramViewModule {}
