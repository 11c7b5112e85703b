import { Body, Controller, Delete, Get, HttpCode, Inject, Patch, Post, Req, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { PreferencesRequest, SignInRequest, type SessionView, type WelcomeView } from '@iron-clasp/contract';
import type { Request, Response } from 'express';
import { Unrecorded } from '../../platform/access/deeds.ts';
import { Everybody, Public, Who, type SignedInRequest } from '../../platform/access/guard.ts';
import { COOKIE } from '../../platform/access/who-asks.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import type { Config } from '../../platform/config/config.ts';
import { CONFIG } from '../../platform/config/token.ts';
import { AccountsService } from '../../records/accounts/accounts.service.ts';
import { ClubsService } from '../../records/clubs/clubs.service.ts';
import { giveCookie, takeCookie } from './cookie.ts';
import { askingOf, sessionView } from './session-view.ts';

@ApiTags('accounts')
@Controller()
export class AccountsController {
  constructor(
    private readonly accounts: AccountsService,
    private readonly clubs: ClubsService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  @Public()
  @Get('welcome')
  @ApiOperation({ summary: 'What the sign-in page shows; the demo’s sign-in only in demo mode' })
  async welcome(): Promise<WelcomeView> {
    return { demo: this.config.demo, setUp: !(await this.clubs.anyOwn()) };
  }

  @Public()
  @Post('session')
  @HttpCode(200)
  @ApiOperation({ summary: 'Sign in' })
  async signIn(
    @Body() body: SignInRequest,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SessionView> {
    const { token, signedIn } = await this.accounts.signIn(body, askingOf(request));
    giveCookie(response, token, this.config);
    return sessionView(signedIn);
  }

  @Everybody()
  @Get('session')
  @ApiOperation({ summary: 'Who is signed in' })
  session(@Who() who: SignedIn): SessionView {
    return sessionView(who);
  }

  @Everybody()
  @Unrecorded()
  @Delete('session')
  @HttpCode(204)
  @ApiOperation({ summary: 'Sign out' })
  async signOut(
    @Req() request: SignedInRequest,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    await this.accounts.signOut(request.cookies?.[COOKIE] ?? '');
    takeCookie(response);
  }

  @Everybody()
  @Unrecorded()
  @Patch('session')
  @ApiOperation({ summary: 'Change unit or theme' })
  async preferences(@Who() who: SignedIn, @Body() body: PreferencesRequest): Promise<SessionView> {
    const changes = { ...(body.unit && { unit: body.unit }), ...(body.theme && { theme: body.theme }) };
    await this.accounts.savePreferences(who.account.id, changes);
    return sessionView({ ...who, account: { ...who.account, ...changes } });
  }
}
