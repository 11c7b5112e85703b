import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { HandsCheck } from './hands-check.entity.ts';
import { HandsChecksService } from './hands-checks.service.ts';

/** Looks at the hands. */
@Module({
  imports: [TypeOrmModule.forFeature([HandsCheck]), LiftersModule],
  providers: [HandsChecksService],
  exports: [HandsChecksService],
})
export class HandsChecksModule {}
