import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { SeasonMarkRow } from './season-mark.entity.ts';
import { HoldBlocksService } from './hold-blocks.service.ts';

/** Blocks and tests on the season strip. */
@Module({
  imports: [TypeOrmModule.forFeature([SeasonMarkRow]), LiftersModule],
  providers: [HoldBlocksService],
  exports: [HoldBlocksService],
})
export class HoldBlocksModule {}
