import { Body, Controller, Delete, Get, HttpCode, Inject, Patch, Post, Req, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { PreferencesRequest, SignInRequest, type SessionView, type WelcomeView } from '@iron-clasp/contract';
import type { Response } from 'express';
import type { Config } from '../config.ts';
import { CONFIG } from '../tokens.ts';
import { DEMO_CLUB, DEMO_COACH, DEMO_LIFTER } from '../demo/scenario.ts';
import { AccountsRepository, type SignedIn } from './accounts.repository.ts';
import { AccountsService, SIGN_IN_DAYS, viewOf } from './accounts.service.ts';
import { AllowRoles, COOKIE, Public, Who, type SignedInRequest } from './guard.ts';

@ApiTags('accounts')
@Controller()
export class AccountsController {
  constructor(
    private readonly service: AccountsService,
    private readonly accounts: AccountsRepository,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  @Public()
  @Get('welcome')
  @ApiOperation({ summary: 'What the sign-in page shows; the demo’s sign-in only in demo mode' })
  welcome(): WelcomeView {
    const lifter = { name: DEMO_LIFTER.name, email: DEMO_LIFTER.email, password: DEMO_LIFTER.password };
    return { demo: this.config.demo ? { ...DEMO_COACH, club: DEMO_CLUB, lifter } : null };
  }

  @Public()
  @Post('session')
  @HttpCode(200)
  @ApiOperation({ summary: 'Sign in' })
  async signIn(
    @Body() body: SignInRequest,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SessionView> {
    const { token, view } = await this.service.signIn(body.email, body.password);
    response.cookie(COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: this.config.secureCookies,
      path: '/',
      maxAge: SIGN_IN_DAYS * 86_400_000,
    });
    return view;
  }

  @AllowRoles('coach', 'lifter')
  @Get('session')
  @ApiOperation({ summary: 'Who is signed in' })
  session(@Who() who: SignedIn): SessionView {
    return viewOf(who);
  }

  @AllowRoles('coach', 'lifter')
  @Delete('session')
  @HttpCode(204)
  @ApiOperation({ summary: 'Sign out' })
  async signOut(
    @Req() request: SignedInRequest,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    await this.service.signOut(request.cookies?.[COOKIE] ?? '');
    response.clearCookie(COOKIE, { path: '/', sameSite: 'strict', httpOnly: true });
  }

  @AllowRoles('coach', 'lifter')
  @Patch('session')
  @ApiOperation({ summary: 'Change unit or theme' })
  async preferences(@Who() who: SignedIn, @Body() body: PreferencesRequest): Promise<SessionView> {
    const changes = { ...(body.unit && { unit: body.unit }), ...(body.theme && { theme: body.theme }) };
    await this.accounts.savePreferences(who.account.id, changes);
    return viewOf({ ...who, account: { ...who.account, ...changes } });
  }
}
