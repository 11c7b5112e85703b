import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { LibraryPlanRow } from './library.entity.ts';
import { LibraryService } from './library.service.ts';

/** Sessions and weeks that a club keeps to start from. */
@Module({
  imports: [TypeOrmModule.forFeature([LibraryPlanRow])],
  providers: [LibraryService],
  exports: [LibraryService],
})
export class LibraryModule {}
