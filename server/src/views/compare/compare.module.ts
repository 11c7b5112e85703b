import { Module } from '@nestjs/common';
import { GrippersAdviceModule } from '../../advice/grippers/grippers.module.ts';
import { CurvesModule } from '../../evidence/curves/curves.module.ts';
import { LifterTodayModule } from '../../evidence/lifter-today/lifter-today.module.ts';
import { ChangesModule } from '../../records/changes/changes.module.ts';
import { HandsChecksModule } from '../../records/hands-checks/hands-checks.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { SqueezeModule } from '../../records/squeeze/squeeze.module.ts';
import { CompareController } from './compare.controller.ts';
import { CompareService } from './compare.service.ts';

/** A lifter against their own past. */
@Module({
  imports: [
    ChangesModule,
    GrippersAdviceModule,
    CurvesModule,
    LifterTodayModule,
    HandsChecksModule,
    LogModule,
    SqueezeModule,
  ],
  controllers: [CompareController],
  providers: [CompareService],
})
export class CompareViewModule {}
