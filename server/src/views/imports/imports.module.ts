import { Module } from '@nestjs/common';
import { ImportsAdviceModule } from '../../advice/imports/imports-advice.module.ts';
import { ImportsModule } from '../../records/imports/imports.module.ts';
import { ImportsUnderWay } from './import-progress.ts';
import { ImportsController } from './imports.controller.ts';

/** The page that brings past training in. */
@Module({
  imports: [ImportsAdviceModule, ImportsModule],
  controllers: [ImportsController],
  providers: [ImportsUnderWay],
})
export class ImportsViewModule {}
