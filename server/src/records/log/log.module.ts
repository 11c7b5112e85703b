import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { AccountsModule } from '../accounts/accounts.module.ts';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { TrainingModule } from '../training/training.module.ts';
import { LoggedSet, LoggedHold, LogCorrection } from './log.entity.ts';
import { LogFigures } from './log-figures.repository.ts';
import { LogRepository } from './log.repository.ts';
import { LogService } from './log.service.ts';

/** Sets and holds as they were done. */
@Module({
  imports: [
    TypeOrmModule.forFeature([LoggedSet, LoggedHold, LogCorrection]),
    AccountsModule,
    LiftersModule,
    TrainingModule,
  ],
  providers: [LogRepository, LogFigures, LogService],
  exports: [LogService],
})
export class LogModule {}
