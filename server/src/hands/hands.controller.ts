import { Body, Controller, Get, Param, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { HandsCheckRequest, type HandsCheckView, type HandsHistoryView } from '@iron-clasp/contract';
import type { SignedIn } from '../accounts/accounts.repository.ts';
import { LifterMay, Who } from '../accounts/guard.ts';
import { KnownId } from '../http/validation.ts';
import { HandsService } from './hands.service.ts';

@ApiTags('hands')
@Controller('lifters/:lifter')
export class HandsController {
  constructor(private readonly hands: HandsService) {}

  @LifterMay({ lifter: 'lifter' })
  @Get('hands')
  @ApiOperation({ summary: 'The lifter’s hands now, and the checks they rest on' })
  history(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
  ): Promise<HandsHistoryView> {
    return this.hands.history(who.club.id, lifter);
  }

  @LifterMay({ lifter: 'lifter' })
  @Put('hands-checks/:id')
  @ApiOperation({ summary: 'Keep a hands check under a client-made id; answers with the calls it changed' })
  check(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('id', new KnownId('hands check')) id: string,
    @Body() body: HandsCheckRequest,
  ): Promise<HandsCheckView> {
    return this.hands.check(who.club.id, who.account.id, lifter, id, body);
  }
}
