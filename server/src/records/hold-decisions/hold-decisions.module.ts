import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { AccountsModule } from '../accounts/accounts.module.ts';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { HoldDecisionRow } from './hold-decision.entity.ts';
import { HoldDecisionsService } from './hold-decisions.service.ts';

/** Decisions on prescribed holds. */
@Module({
  imports: [TypeOrmModule.forFeature([HoldDecisionRow]), AccountsModule, LiftersModule],
  providers: [HoldDecisionsService],
  exports: [HoldDecisionsService],
})
export class HoldDecisionsModule {}
