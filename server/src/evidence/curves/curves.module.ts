import { Module } from '@nestjs/common';
import { LogModule } from '../../records/log/log.module.ts';
import { CurvesService } from './curves.service.ts';

/** Clasp curves and ledgers from the log. */
@Module({ imports: [LogModule], providers: [CurvesService], exports: [CurvesService] })
export class CurvesModule {}
