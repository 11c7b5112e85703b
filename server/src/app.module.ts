import { Module, type DynamicModule } from '@nestjs/common';
import { APP_FILTER, APP_GUARD, APP_PIPE } from '@nestjs/core';
import { TypeOrmModule } from '@nestjs/typeorm';
import { AccountsController } from './accounts/accounts.controller.ts';
import { AccountsRepository } from './accounts/accounts.repository.ts';
import { AccountsService } from './accounts/accounts.service.ts';
import { SignedInGuard } from './accounts/guard.ts';
import { CallsController } from './calls/calls.controller.ts';
import { CallsService } from './calls/calls.service.ts';
import { OverridesRepository } from './calls/overrides.repository.ts';
import { Clock } from './clock.ts';
import type { Config } from './config.ts';
import { ClubController } from './club/club.controller.ts';
import { ClubRepository } from './club/club.repository.ts';
import { ClubService } from './club/club.service.ts';
import { CompareController } from './compare/compare.controller.ts';
import { CompareService } from './compare/compare.service.ts';
import { CurveMonthsService } from './curves/curve-months.service.ts';
import { CurvesController } from './curves/curves.controller.ts';
import { CurvesService } from './curves/curves.service.ts';
import { dataSource } from './database/data-source.ts';
import { HandsController } from './hands/hands.controller.ts';
import { HandsRepository } from './hands/hands.repository.ts';
import { HandsService } from './hands/hands.service.ts';
import { HealthController } from './health/health.controller.ts';
import { ProblemFilter } from './http/problem.filter.ts';
import { validationPipe } from './http/validation.ts';
import { FloorController } from './floor/floor.controller.ts';
import { FloorService } from './floor/floor.service.ts';
import { Live } from './floor/live.ts';
import { GrippersController } from './grippers/grippers.controller.ts';
import { GrippersRepository } from './grippers/grippers.repository.ts';
import { GrippersService } from './grippers/grippers.service.ts';
import { HoldBlocksService } from './holds/hold-blocks.service.ts';
import { HoldFactsService } from './holds/hold-facts.ts';
import { HoldPrescriber } from './holds/hold-prescriber.ts';
import { HoldsController } from './holds/holds.controller.ts';
import { HoldsRepository } from './holds/holds.repository.ts';
import { HoldsService } from './holds/holds.service.ts';
import { KitController } from './kit/kit.controller.ts';
import { KitService } from './kit/kit.service.ts';
import { OwnersRepository } from './accounts/owners.repository.ts';
import { LifterExports } from './lifters/lifter-exports.ts';
import { PointEvidenceService } from './schools/point-evidence.service.ts';
import { SchoolsController } from './schools/schools.controller.ts';
import { SchoolsRepository } from './schools/schools.repository.ts';
import { SchoolsService } from './schools/schools.service.ts';
import { SharingController } from './sharing/sharing.controller.ts';
import { SharingRepository } from './sharing/sharing.repository.ts';
import { SharingService } from './sharing/sharing.service.ts';
import { KitRepository } from './kit/kit.repository.ts';
import { LiftersController } from './lifters/lifters.controller.ts';
import { LiftersRepository } from './lifters/lifters.repository.ts';
import { LiftersService } from './lifters/lifters.service.ts';
import { ProfilesService } from './lifters/profiles.service.ts';
import { LogController } from './log/log.controller.ts';
import { LogRepository } from './log/log.repository.ts';
import { LogService } from './log/log.service.ts';
import { SqueezeController } from './squeeze/squeeze.controller.ts';
import { SqueezeRepository } from './squeeze/squeeze.repository.ts';
import { SqueezeService } from './squeeze/squeeze.service.ts';
import { CONFIG } from './tokens.ts';
import { ProgramsController } from './training/programs.controller.ts';
import { ProgramsService } from './training/programs.service.ts';
import { TrainingRepository } from './training/training.repository.ts';

@Module({})
export class AppModule {
  static with(config: Config): DynamicModule {
    return {
      module: AppModule,
      imports: [
        TypeOrmModule.forRootAsync({
          useFactory: () => ({
            ...dataSource(config.databaseUrl).options,
            retryAttempts: 3,
            retryDelay: 1000,
          }),
        }),
      ],
      controllers: [
        HealthController,
        AccountsController,
        LiftersController,
        CallsController,
        HandsController,
        ProgramsController,
        KitController,
        SchoolsController,
        SharingController,
        FloorController,
        LogController,
        SqueezeController,
        GrippersController,
        HoldsController,
        CurvesController,
        CompareController,
        ClubController,
      ],
      providers: [
        { provide: CONFIG, useValue: config },
        { provide: APP_GUARD, useClass: SignedInGuard },
        { provide: APP_FILTER, useClass: ProblemFilter },
        { provide: APP_PIPE, useFactory: validationPipe },
        { provide: Clock, useFactory: () => new Clock(config.clockShiftSeconds) },
        AccountsRepository,
        AccountsService,
        OwnersRepository,
        KitRepository,
        KitService,
        SchoolsRepository,
        SchoolsService,
        PointEvidenceService,
        SharingRepository,
        SharingService,
        FloorService,
        Live,
        LifterExports,
        LiftersRepository,
        LiftersService,
        ProfilesService,
        TrainingRepository,
        ProgramsService,
        LogRepository,
        LogService,
        CurvesService,
        CallsService,
        OverridesRepository,
        HandsService,
        HandsRepository,
        SqueezeRepository,
        SqueezeService,
        GrippersRepository,
        GrippersService,
        HoldPrescriber,
        HoldFactsService,
        HoldBlocksService,
        HoldsRepository,
        HoldsService,
        CurveMonthsService,
        CompareService,
        ClubRepository,
        ClubService,
      ],
    };
  }
}
