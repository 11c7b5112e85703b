import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { Lifter, LifterChange, LifterHistory } from './lifter.entity.ts';
import { LiftersRepository } from './lifters.repository.ts';
import { LiftersService } from './lifters.service.ts';

/** Lifters with their history and what was changed. */
@Module({
  imports: [TypeOrmModule.forFeature([Lifter, LifterChange, LifterHistory])],
  providers: [LiftersRepository, LiftersService],
  exports: [LiftersService],
})
export class LiftersModule {}
