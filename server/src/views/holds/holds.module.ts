import { Module } from '@nestjs/common';
import { HoldsAdviceModule } from '../../advice/holds/holds.module.ts';
import { PlanningAdviceModule } from '../../advice/planning/planning.module.ts';
import { HoldFactsModule } from '../../evidence/holds/hold-facts.module.ts';
import { ChangesModule } from '../../records/changes/changes.module.ts';
import { FloorViewModule } from '../floor/floor.module.ts';
import { HoldsController } from './holds.controller.ts';
import { HoldsViewService } from './holds.service.ts';

/** Hold work over the weeks. */
@Module({
  imports: [ChangesModule, HoldsAdviceModule, PlanningAdviceModule, HoldFactsModule, FloorViewModule],
  controllers: [HoldsController],
  providers: [HoldsViewService],
})
export class HoldsViewModule {}
