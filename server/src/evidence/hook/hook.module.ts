import { Module } from '@nestjs/common';
import { HandsChecksModule } from '../../records/hands-checks/hands-checks.module.ts';
import { LiftersModule } from '../../records/lifters/lifters.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { HookProgressService } from './hook-progress.service.ts';

/** Where a hook that is being learned stands. */
@Module({
  imports: [HandsChecksModule, LiftersModule, LogModule],
  providers: [HookProgressService],
  exports: [HookProgressService],
})
export class HookModule {}
