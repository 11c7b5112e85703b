import { Module } from '@nestjs/common';
import { BarUseModule } from '../../evidence/kit/bar-use.module.ts';
import { KitModule } from '../../records/kit/kit.module.ts';
import { KitController } from './kit.controller.ts';
import { KitViewService } from './kit.service.ts';

/** What stands at each venue. */
@Module({
  imports: [BarUseModule, KitModule],
  controllers: [KitController],
  providers: [KitViewService],
})
export class KitViewModule {}
