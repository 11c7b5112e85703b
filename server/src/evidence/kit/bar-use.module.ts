import { Module } from '@nestjs/common';
import { KitModule } from '../../records/kit/kit.module.ts';
import { LogModule } from '../../records/log/log.module.ts';
import { BarUseService } from './bar-use.service.ts';

/** How bars are used, for brushing. */
@Module({ imports: [KitModule, LogModule], providers: [BarUseService], exports: [BarUseService] })
export class BarUseModule {}
