import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { SqueezeProtocolRow, SqueezeTestRow, SqueezeTraceRow } from './squeeze.entity.ts';
import { SqueezeService } from './squeeze.service.ts';

/** Squeeze tests, traces and protocols. */
@Module({
  imports: [TypeOrmModule.forFeature([SqueezeProtocolRow, SqueezeTestRow, SqueezeTraceRow]), LiftersModule],
  providers: [SqueezeService],
  exports: [SqueezeService],
})
export class SqueezeModule {}
