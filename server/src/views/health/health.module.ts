import { Module } from '@nestjs/common';
import { HealthController } from './health.controller.ts';

/** Whether the server is well. */
@Module({
  controllers: [HealthController],
})
export class HealthViewModule {}
