import { Body, Controller, Delete, Get, HttpCode, Inject, Patch, Post, Req, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { PreferencesRequest, SignInRequest, type SessionView, type WelcomeView } from '@iron-clasp/contract';
import type { Response } from 'express';
import { AllowRoles, COOKIE, Public, Who, type SignedInRequest } from '../../platform/access/guard.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import type { Config } from '../../platform/config/config.ts';
import { CONFIG } from '../../platform/config/token.ts';
import { AccountsService, SIGN_IN_DAYS } from '../../records/accounts/accounts.service.ts';

@ApiTags('accounts')
@Controller()
export class AccountsController {
  constructor(
    private readonly accounts: AccountsService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  @Public()
  @Get('welcome')
  @ApiOperation({ summary: 'What the sign-in page shows; the demo’s sign-in only in demo mode' })
  welcome(): WelcomeView {
    return { demo: this.config.demo };
  }

  @Public()
  @Post('session')
  @HttpCode(200)
  @ApiOperation({ summary: 'Sign in' })
  async signIn(
    @Body() body: SignInRequest,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SessionView> {
    const { token, signedIn } = await this.accounts.signIn(body.email, body.password);
    response.cookie(COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: this.config.secureCookies,
      path: '/',
      maxAge: SIGN_IN_DAYS * 86_400_000,
    });
    return viewOf(signedIn);
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
    await this.accounts.signOut(request.cookies?.[COOKIE] ?? '');
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

function viewOf({ account, club, changeToken }: SignedIn): SessionView {
  const { id, name, email, unit, theme, role, lifterId } = account;
  return {
    account: { id, name, email, unit, theme, role, lifterId },
    club: { id: club.id, name: club.name, timeZone: club.timeZone },
    token: changeToken,
  };
}
