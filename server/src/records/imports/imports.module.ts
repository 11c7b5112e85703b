import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { LogModule } from '../log/log.module.ts';
import { TrainingModule } from '../training/training.module.ts';
import { TrainingImport, TrainingImportRow } from './import.entity.ts';
import { ImportsService } from './imports.service.ts';

/** Past training that came from files. */
@Module({
  imports: [
    TypeOrmModule.forFeature([TrainingImport, TrainingImportRow]),
    LiftersModule,
    LogModule,
    TrainingModule,
  ],
  providers: [ImportsService],
  exports: [ImportsService],
})
export class ImportsModule {}
