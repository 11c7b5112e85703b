import { Body, Controller, Get, Param, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { HandsCheckRequest, type HandsCheckView, type HandsHistoryView } from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { LifterMay, Who } from '../../platform/access/guard.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { HandsViewService } from './hands.service.ts';

@ApiTags('hands')
@Controller('lifters/:lifter')
export class HandsController {
  constructor(private readonly hands: HandsViewService) {}

  @LifterMay({ lifter: 'lifter' })
  @Get('hands')
  @ApiOperation({ summary: 'The lifter’s hands now, and the checks they rest on' })
  history(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
  ): Promise<HandsHistoryView> {
    return this.hands.history(who.club, lifter);
  }

  @LifterMay({ lifter: 'lifter' })
  @Put('hands-checks/:id')
  @ApiOperation({ summary: 'Keep a hands check; under a client-made id; answers with the calls it changed' })
  check(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('id', new KnownId('hands check')) id: string,
    @Body() body: HandsCheckRequest,
  ): Promise<HandsCheckView> {
    return this.hands.check(who.club, who.account.id, lifter, id, body);
  }
}
