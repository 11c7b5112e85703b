import { Module } from '@nestjs/common';
import { GrippersAdviceModule } from '../../advice/grippers/grippers.module.ts';
import { GrippersController } from './grippers.controller.ts';

/** The gripper ladder. */
@Module({
  imports: [GrippersAdviceModule],
  controllers: [GrippersController],
})
export class GrippersViewModule {}
