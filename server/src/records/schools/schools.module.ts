import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { ClubSchool, ClubSchoolVersion } from './school.entity.ts';
import { SchoolsService } from './schools.service.ts';

/** A club’s own copies of schools. */
@Module({
  imports: [TypeOrmModule.forFeature([ClubSchool, ClubSchoolVersion])],
  providers: [SchoolsService],
  exports: [SchoolsService],
})
export class SchoolsModule {}
