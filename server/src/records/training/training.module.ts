import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { TrainingSession, PlannedSet } from './training.entity.ts';
import { TrainingRepository } from './training.repository.ts';
import { TrainingService } from './training.service.ts';

/** Sessions and their planned sets. */
@Module({
  imports: [TypeOrmModule.forFeature([TrainingSession, PlannedSet]), LiftersModule],
  providers: [TrainingRepository, TrainingService],
  exports: [TrainingService],
})
export class TrainingModule {}
