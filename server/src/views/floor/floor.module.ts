import { Module } from '@nestjs/common';
import { AuditsAdviceModule } from '../../advice/audits/audits.module.ts';
import { CallsAdviceModule } from '../../advice/calls/calls.module.ts';
import { SessionFactsModule } from '../../evidence/session/session-facts.module.ts';
import { LaneStandsModule } from '../../records/lane-stands/lane-stands.module.ts';
import { SqueezeModule } from '../../records/squeeze/squeeze.module.ts';
import { TrainingModule } from '../../records/training/training.module.ts';
import { CallsViewModule } from '../calls/calls.module.ts';
import { FloorController } from './floor.controller.ts';
import { FollowedSessions } from './followed-sessions.ts';
import { FloorService } from './floor.service.ts';
import { Live } from './live.ts';

/** Sessions on the floor, and those who follow them. */
@Module({
  imports: [
    AuditsAdviceModule,
    CallsAdviceModule,
    SessionFactsModule,
    SqueezeModule,
    TrainingModule,
    CallsViewModule,
    LaneStandsModule,
  ],
  controllers: [FloorController],
  providers: [FloorService, FollowedSessions, Live],
  exports: [Live],
})
export class FloorViewModule {}
