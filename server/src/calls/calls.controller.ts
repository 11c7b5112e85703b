import { Body, Controller, Delete, Get, HttpCode, Param, Patch, Post, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  MoveSessionRequest,
  OverrideRequest,
  WhatIfRequest,
  type CallsView,
  type CurveView,
  type WhatIfView,
} from '@iron-clasp/contract';
import type { SignedIn } from '../accounts/accounts.repository.ts';
import { LifterMay, Who } from '../accounts/guard.ts';
import { KnownId } from '../http/validation.ts';
import { CallsService } from './calls.service.ts';

@ApiTags('calls')
@Controller()
export class CallsController {
  constructor(private readonly calls: CallsService) {}

  @LifterMay({ session: 'id' })
  @Get('sessions/:id/calls')
  @ApiOperation({ summary: 'Grip, straps and chalk for each set of the session, with reasons, and its hold' })
  session(@Who() who: SignedIn, @Param('id', new KnownId('session')) id: string): Promise<CallsView> {
    return this.calls.session(who.club.id, id);
  }

  @Patch('sessions/:id')
  @ApiOperation({
    summary:
      'Hold the session elsewhere, with another bar or on another day; refused where the page is stale',
  })
  move(
    @Who() who: SignedIn,
    @Param('id', new KnownId('session')) id: string,
    @Body() body: MoveSessionRequest,
  ): Promise<CallsView> {
    return this.calls.move(who.club.id, id, body);
  }

  @Put('sessions/:session/overrides/:id')
  @ApiOperation({ summary: 'Decide against the call, with a reason; refused where a rule bars it' })
  override(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('decision')) id: string,
    @Body() body: OverrideRequest,
  ): Promise<CallsView> {
    return this.calls.override(who.club.id, who.account.id, session, id, body);
  }

  @Delete('sessions/:session/overrides/:id')
  @ApiOperation({ summary: 'Take a decision back; it stays on record' })
  undoOverride(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('decision')) id: string,
  ): Promise<CallsView> {
    return this.calls.undoOverride(who.club.id, who.account.id, session, id);
  }

  @Post('sessions/:id/what-if')
  @HttpCode(200)
  @ApiOperation({ summary: 'The session under other circumstances; nothing is saved' })
  whatIf(
    @Who() who: SignedIn,
    @Param('id', new KnownId('session')) id: string,
    @Body() body: WhatIfRequest,
  ): Promise<WhatIfView> {
    return this.calls.whatIf(who.club.id, id, body);
  }

  @LifterMay({ lifter: 'id' })
  @Get('lifters/:id/curve')
  @ApiOperation({ summary: 'The lifter’s clasp curve, the points behind it, and what the next session asks' })
  curve(@Who() who: SignedIn, @Param('id', new KnownId('lifter')) id: string): Promise<CurveView> {
    return this.calls.curve(who.club.id, id);
  }
}
