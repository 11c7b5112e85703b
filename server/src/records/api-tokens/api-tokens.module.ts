import { Global, Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { ApiClients } from '../../platform/access/signed-in.ts';
import { ApiToken } from './api-token.entity.ts';
import { ApiTokensService } from './api-tokens.service.ts';

/** Clients that show a token instead of signing in. */
@Global()
@Module({
  imports: [TypeOrmModule.forFeature([ApiToken])],
  providers: [ApiTokensService, { provide: ApiClients, useExisting: ApiTokensService }],
  exports: [ApiTokensService, ApiClients],
})
export class ApiTokensModule {}
