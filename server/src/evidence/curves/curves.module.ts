import { Module } from '@nestjs/common';
import { KeptCurvesModule } from '../../records/kept-curves/kept-curves.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { ClubsModule } from '../../records/clubs/clubs.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { BackTestsService } from './back-tests.service.ts';
import { CurveFitsService } from './curve-fits.service.ts';
import { CurveKeeperService } from './curve-keeper.service.ts';
import { CurvesService } from './curves.service.ts';
import { FitWorker } from './fit-worker.ts';

/** Clasp curves and ledgers from the log. */
@Module({
  imports: [ClubsModule, KeptCurvesModule, LiftersModule, LogModule],
  providers: [BackTestsService, CurveFitsService, CurveKeeperService, CurvesService, FitWorker],
  exports: [BackTestsService, CurvesService],
})
export class CurvesModule {}
