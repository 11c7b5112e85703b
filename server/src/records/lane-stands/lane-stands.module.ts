import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { LaneStand } from './lane-stand.entity.ts';
import { LaneStandsService } from './lane-stands.service.ts';

/** Where the lanes of the floor stand. */
@Module({
  imports: [TypeOrmModule.forFeature([LaneStand])],
  providers: [LaneStandsService],
  exports: [LaneStandsService],
})
export class LaneStandsModule {}
