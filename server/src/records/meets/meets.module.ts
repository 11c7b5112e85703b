import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { Meet } from './meet.entity.ts';
import { MeetsService } from './meets.service.ts';

/** Contests with their own rules. */
@Module({
  imports: [TypeOrmModule.forFeature([Meet]), LiftersModule],
  providers: [MeetsService],
  exports: [MeetsService],
})
export class MeetsModule {}
