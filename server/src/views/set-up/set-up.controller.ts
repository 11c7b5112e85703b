import { Body, Controller, HttpCode, Inject, Post, Req, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { SetUpRequest, type SessionView } from '@iron-clasp/contract';
import type { Request, Response } from 'express';
import { Public } from '../../platform/access/guard.ts';
import type { Config } from '../../platform/config/config.ts';
import { CONFIG } from '../../platform/config/token.ts';
import { SetUpService } from '../../advice/set-up/set-up.service.ts';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { askingOf, sessionView } from '../account/session-view.ts';
import { giveCookie } from '../account/cookie.ts';

@ApiTags('accounts')
@Controller('set-up')
export class SetUpController {
  constructor(
    private readonly setUp: SetUpService,
    private readonly accounts: AccountsService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  @Public()
  @Post()
  @HttpCode(200)
  @ApiOperation({
    summary: 'Start a club of one’s own with the code that the terminal shows, and sign in as its owner',
  })
  async start(
    @Body() body: SetUpRequest,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SessionView> {
    const asking = askingOf(request);
    const started = await this.setUp.start(body, asking.from);
    const token = started
      ? await this.accounts.enter(body.owner.id, asking)
      : (await this.accounts.signIn(body.owner, asking)).token;
    giveCookie(response, token, this.config);
    return sessionView((await this.accounts.whoIs(token))!);
  }
}
