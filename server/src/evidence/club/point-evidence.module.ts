import { Module } from '@nestjs/common';
import { ChangesModule } from '../../records/changes/changes.module.ts';
import { HandsChecksModule } from '../../records/hands-checks/hands-checks.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { SchoolsModule } from '../../records/schools/schools.module.ts';
import { CurvesModule } from '../curves/curves.module.ts';
import { PointEvidenceService } from './point-evidence.service.ts';

/** What the club's own logs say where schools disagree. */
@Module({
  imports: [ChangesModule, CurvesModule, HandsChecksModule, LiftersModule, LogModule, SchoolsModule],
  providers: [PointEvidenceService],
  exports: [PointEvidenceService],
})
export class PointEvidenceModule {}
