import { Module } from '@nestjs/common';
import { SqueezeAdviceModule } from '../../advice/squeeze/squeeze.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { SqueezeModule } from '../../records/squeeze/squeeze.module.ts';
import { SqueezeController } from './squeeze.controller.ts';
import { SqueezeViewService } from './squeeze.service.ts';

/** Squeeze tests. */
@Module({
  imports: [SqueezeAdviceModule, KitModule, LiftersModule, SqueezeModule],
  controllers: [SqueezeController],
  providers: [SqueezeViewService],
})
export class SqueezeViewModule {}
