import { Module } from '@nestjs/common';
import { SchoolsAdviceModule } from '../../advice/schools/schools.module.ts';
import { PointEvidenceModule } from '../../evidence/club/point-evidence.module.ts';
import { SchoolsController } from './schools.controller.ts';

/** Schools, and what the club’s logs say of them. */
@Module({
  imports: [SchoolsAdviceModule, PointEvidenceModule],
  controllers: [SchoolsController],
})
export class PracticeViewModule {}
