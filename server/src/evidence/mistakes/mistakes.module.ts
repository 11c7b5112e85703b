import { Module } from '@nestjs/common';
import { LogModule } from '../../records/log/log.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { CurvesModule } from '../curves/curves.module.ts';
import { LifterTodayModule } from '../lifter-today/lifter-today.module.ts';
import { MistakesService } from './mistakes.service.ts';

/** The usual mistakes that a log shows. */
@Module({
  imports: [CurvesModule, LifterTodayModule, LogModule, TrainingModule],
  providers: [MistakesService],
  exports: [MistakesService],
})
export class MistakesModule {}
