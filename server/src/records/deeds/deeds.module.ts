import { Global, Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { Deeds } from '../../platform/access/deeds.ts';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { DeedRow } from './deed.entity.ts';
import { DeedsService } from './deeds.service.ts';

/** Who did what. */
@Global()
@Module({
  imports: [TypeOrmModule.forFeature([DeedRow]), LiftersModule],
  providers: [DeedsService, { provide: Deeds, useExisting: DeedsService }],
  exports: [DeedsService, Deeds],
})
export class DeedsModule {}
