import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { GripperAttemptsModule } from '../grippers/grippers.module.ts';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { LogModule } from '../log/log.module.ts';
import { SqueezeModule } from '../squeeze/squeeze.module.ts';
import { TrainingModule } from '../training/training.module.ts';
import { TrainingImport, TrainingImportRow } from './import.entity.ts';
import { ImportsService } from './imports.service.ts';

/** What came from files. */
@Module({
  imports: [
    TypeOrmModule.forFeature([TrainingImport, TrainingImportRow]),
    GripperAttemptsModule,
    LiftersModule,
    LogModule,
    SqueezeModule,
    TrainingModule,
  ],
  providers: [ImportsService],
  exports: [ImportsService],
})
export class ImportsModule {}
