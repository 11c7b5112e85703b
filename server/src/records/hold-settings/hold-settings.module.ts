import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { HoldSetting } from './hold-setting.entity.ts';
import { HoldSettingsService } from './hold-settings.service.ts';

/** How kinds of hold are prescribed to a lifter. */
@Module({
  imports: [TypeOrmModule.forFeature([HoldSetting]), LiftersModule],
  providers: [HoldSettingsService],
  exports: [HoldSettingsService],
})
export class HoldSettingsModule {}
