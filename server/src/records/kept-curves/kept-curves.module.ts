import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { KeptBackTest, KeptCurve } from './kept-curve.entity.ts';
import { KeptCurvesService } from './kept-curves.service.ts';

/** Fitted curves, kept until the log changes. */
@Module({
  imports: [TypeOrmModule.forFeature([KeptBackTest, KeptCurve]), LiftersModule],
  providers: [KeptCurvesService],
  exports: [KeptCurvesService],
})
export class KeptCurvesModule {}
