import { Body, Controller, Get, Param, Patch } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { MoveSessionRequest, type CallsView, type CurveView } from '@iron-clasp/contract';
import type { SignedIn } from '../accounts/accounts.repository.ts';
import { Who } from '../accounts/guard.ts';
import { KnownId } from '../http/validation.ts';
import { CallsService } from './calls.service.ts';

@ApiTags('calls')
@Controller()
export class CallsController {
  constructor(private readonly calls: CallsService) {}

  @Get('sessions/:id/calls')
  @ApiOperation({ summary: 'Grip, straps and chalk for each set of the session, with reasons, and its hold' })
  session(@Who() who: SignedIn, @Param('id', new KnownId('session')) id: string): Promise<CallsView> {
    return this.calls.session(who.club.id, id);
  }

  @Patch('sessions/:id')
  @ApiOperation({ summary: 'Hold the session in another venue; refused where the page is stale' })
  move(
    @Who() who: SignedIn,
    @Param('id', new KnownId('session')) id: string,
    @Body() body: MoveSessionRequest,
  ): Promise<CallsView> {
    return this.calls.move(who.club.id, id, body.venueId, body.version);
  }

  @Get('lifters/:id/curve')
  @ApiOperation({ summary: 'The lifter’s clasp curve, the points behind it, and what the next session asks' })
  curve(@Who() who: SignedIn, @Param('id', new KnownId('lifter')) id: string): Promise<CurveView> {
    return this.calls.curve(who.club.id, id);
  }
}
