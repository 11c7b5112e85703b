import { Module } from '@nestjs/common';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { SchoolsModule } from '../../records/schools/schools.module.ts';
import { ClubSchoolsService } from './club-schools.service.ts';

/** A club’s own copies of schools. */
@Module({
  imports: [LiftersModule, SchoolsModule],
  providers: [ClubSchoolsService],
  exports: [ClubSchoolsService],
})
export class SchoolsAdviceModule {}
