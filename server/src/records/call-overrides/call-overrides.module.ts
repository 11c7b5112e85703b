import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { AccountsModule } from '../accounts/accounts.module.ts';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { CallOverrideRow, CallOverrideSet } from './call-override.entity.ts';
import { CallOverridesService } from './call-overrides.service.ts';

/** Decisions against calls. */
@Module({
  imports: [TypeOrmModule.forFeature([CallOverrideRow, CallOverrideSet]), AccountsModule, LiftersModule],
  providers: [CallOverridesService],
  exports: [CallOverridesService],
})
export class CallOverridesModule {}
