import { Body, Controller, Get, HttpCode, Param, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { JoinRequest, type PasswordLinkView } from '@iron-clasp/contract';
import { Public } from '../../platform/access/guard.ts';
import { PeopleService } from '../../records/accounts/people.service.ts';

@ApiTags('accounts')
@Public()
@Controller('password-links')
export class PasswordLinksController {
  constructor(private readonly people: PeopleService) {}

  @Get(':secret')
  @ApiOperation({ summary: 'Whose password a link changes' })
  async open(@Param('secret') secret: string): Promise<PasswordLinkView> {
    const { account, club } = await this.people.byPasswordLink(secret);
    return { club: club.name, name: account.name, email: account.email };
  }

  @Post(':secret')
  @HttpCode(200)
  @ApiOperation({ summary: 'Set a new password by a link; every device is signed out' })
  async set(@Param('secret') secret: string, @Body() body: JoinRequest): Promise<PasswordLinkView> {
    const { account, club } = await this.people.setPassword(secret, body.password);
    return { club: club.name, name: account.name, email: account.email };
  }
}
