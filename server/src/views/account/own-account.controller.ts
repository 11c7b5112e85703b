import { Body, Controller, Delete, Get, HttpCode, Ip, Param, Post, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  PasswordRequest,
  SecondFactorOffRequest,
  SecondFactorRequest,
  type NewSecondFactorView,
  type OwnAccountView,
} from '@iron-clasp/contract';
import { Everybody, Who } from '../../platform/access/guard.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { OwnAccountService } from '../../records/accounts/own-account.service.ts';

@ApiTags('accounts')
@Everybody()
@Controller('account')
export class OwnAccountController {
  constructor(private readonly own: OwnAccountService) {}

  @Get()
  @ApiOperation({ summary: 'Devices that are signed in, and whether a second factor is asked for' })
  view(@Who() who: SignedIn): Promise<OwnAccountView> {
    return this.own.view(who);
  }

  @Put('password')
  @HttpCode(204)
  @ApiOperation({ summary: 'Change one’s own password; every other device is signed out' })
  changePassword(@Who() who: SignedIn, @Body() body: PasswordRequest, @Ip() from: string): Promise<void> {
    return this.own.changePassword(who, body.current, body.password, from);
  }

  @Post('second-factor/new')
  @HttpCode(200)
  @ApiOperation({ summary: 'Make a secret for an authenticator; nothing is asked for yet' })
  newSecondFactor(@Who() who: SignedIn): NewSecondFactorView {
    return this.own.newSecondFactor(who);
  }

  @Put('second-factor')
  @HttpCode(204)
  @ApiOperation({ summary: 'Ask for an authenticator at sign-in, once a code of it was typed back' })
  useSecondFactor(@Who() who: SignedIn, @Body() body: SecondFactorRequest): Promise<void> {
    return this.own.useSecondFactor(who, body.secret, body.code);
  }

  @Put('second-factor/off')
  @HttpCode(204)
  @ApiOperation({ summary: 'Ask for no authenticator any more' })
  dropSecondFactor(
    @Who() who: SignedIn,
    @Body() body: SecondFactorOffRequest,
    @Ip() from: string,
  ): Promise<void> {
    return this.own.dropSecondFactor(who, body.password, from);
  }

  @Delete('devices/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Sign one of one’s own devices out' })
  endDevice(@Who() who: SignedIn, @Param('id', new KnownId('device')) id: string): Promise<void> {
    return this.own.endDevice(who, id);
  }

  @Delete('devices')
  @HttpCode(204)
  @ApiOperation({ summary: 'Sign all of one’s own devices out but this one' })
  endOtherDevices(@Who() who: SignedIn): Promise<void> {
    return this.own.endOtherDevices(who);
  }
}
