import { Module } from '@nestjs/common';
import { LifterTodayModule } from '../../evidence/lifter-today/lifter-today.module.ts';
import { GripperAttemptsModule } from '../../records/grippers/grippers.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { GrippersService } from './grippers.service.ts';

/** The ladder of grippers, and the next session of each hand. */
@Module({
  imports: [LifterTodayModule, GripperAttemptsModule, KitModule],
  providers: [GrippersService],
  exports: [GrippersService],
})
export class GrippersAdviceModule {}
