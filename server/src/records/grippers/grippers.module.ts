import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { GripperAttemptRow } from './gripper-attempt.entity.ts';
import { GripperAttemptsService } from './gripper-attempts.service.ts';

/** Attempts at grippers. */
@Module({
  imports: [TypeOrmModule.forFeature([GripperAttemptRow]), LiftersModule],
  providers: [GripperAttemptsService],
  exports: [GripperAttemptsService],
})
export class GripperAttemptsModule {}
