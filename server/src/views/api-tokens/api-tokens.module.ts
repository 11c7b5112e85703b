import { Module } from '@nestjs/common';
import { ApiTokensModule } from '../../records/api-tokens/api-tokens.module.ts';
import { ApiTokensController } from './api-tokens.controller.ts';

/** Where owners make and revoke tokens. */
@Module({
  imports: [ApiTokensModule],
  controllers: [ApiTokensController],
})
export class ApiTokensViewModule {}
