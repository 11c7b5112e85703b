import { Body, Controller, Delete, Get, Param, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { ApiTokenRequest, type ApiTokensView, type MadeTokenView } from '@iron-clasp/contract';
import { OwnersOnly, Who } from '../../platform/access/guard.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { CLIENT_REQUESTS_A_MINUTE } from '../../platform/access/who-asks.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { ApiTokensService } from '../../records/api-tokens/api-tokens.service.ts';

@ApiTags('api tokens')
@OwnersOnly()
@Controller('api-tokens')
export class ApiTokensController {
  constructor(private readonly tokens: ApiTokensService) {}

  @Get()
  @ApiOperation({ summary: 'Tokens that API clients of the club show' })
  async list(@Who() who: SignedIn): Promise<ApiTokensView> {
    return { tokens: await this.tokens.list(who.club), perMinute: CLIENT_REQUESTS_A_MINUTE };
  }

  @Put(':id')
  @ApiOperation({ summary: 'Make an API token; it is told this once' })
  async make(
    @Who() who: SignedIn,
    @Param('id', new KnownId('token')) id: string,
    @Body() body: ApiTokenRequest,
  ): Promise<MadeTokenView> {
    const token = await this.tokens.make(who.club, who.account.id, id, body);
    return { id, token, endsOn: body.endsOn };
  }

  @Delete(':id')
  @ApiOperation({ summary: 'Revoke an API token; it opens nothing from now on' })
  async revoke(@Who() who: SignedIn, @Param('id', new KnownId('token')) id: string): Promise<ApiTokensView> {
    await this.tokens.revoke(who.club.id, id);
    return this.list(who);
  }
}
