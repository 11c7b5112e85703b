import { Body, Controller, Delete, Get, HttpCode, Param, Patch, Post, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  MoveSessionRequest,
  OverrideRequest,
  WhatIfRequest,
  type CallsView,
  type WhatIfView,
} from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { Unrecorded } from '../../platform/access/deeds.ts';
import { Asking, LifterMay, Who } from '../../platform/access/guard.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { CallsService } from '../../advice/calls/calls.service.ts';
import { OverridesService } from '../../advice/overrides/overrides.service.ts';
import { ProgramsService } from '../../advice/planning/programs.service.ts';
import { CallsViewService } from './calls-view.service.ts';

@ApiTags('calls')
@Controller()
export class CallsController {
  constructor(
    private readonly view: CallsViewService,
    private readonly calls: CallsService,
    private readonly overrides: OverridesService,
    private readonly programs: ProgramsService,
  ) {}

  @LifterMay({ session: 'id' })
  @Get('sessions/:id/calls')
  @ApiOperation({ summary: 'Grip, straps and chalk for each set of the session, with reasons, and its hold' })
  session(@Who() who: SignedIn, @Param('id', new KnownId('session')) id: string): Promise<CallsView> {
    return this.view.session(who.club, id);
  }

  @Patch('sessions/:id')
  @ApiOperation({
    summary:
      'Hold the session elsewhere, with another bar or on another day; refused where the page is stale',
  })
  async move(
    @Who() who: SignedIn,
    @Param('id', new KnownId('session')) id: string,
    @Body() body: MoveSessionRequest,
  ): Promise<CallsView> {
    await this.programs.move(who.club, id, body);
    return this.view.session(who.club, id);
  }

  @Put('sessions/:session/overrides/:id')
  @ApiOperation({ summary: 'Decide against the call, with a reason; refused where a rule bars it' })
  async override(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('decision')) id: string,
    @Body() body: OverrideRequest,
  ): Promise<CallsView> {
    await this.overrides.decide(who.club, who.account.id, session, id, body);
    return this.view.session(who.club, session);
  }

  @Delete('sessions/:session/overrides/:id')
  @ApiOperation({ summary: 'Take a decision back; it stays on record' })
  async undoOverride(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('decision')) id: string,
  ): Promise<CallsView> {
    await this.overrides.undo(who.club, who.account.id, session, id);
    return this.view.session(who.club, session);
  }

  @Asking()
  @Unrecorded()
  @Post('sessions/:id/what-if')
  @HttpCode(200)
  @ApiOperation({ summary: 'The session under other circumstances; nothing is saved' })
  whatIf(
    @Who() who: SignedIn,
    @Param('id', new KnownId('session')) id: string,
    @Body() body: WhatIfRequest,
  ): Promise<WhatIfView> {
    return this.calls.whatIf(who.club, id, body);
  }
}
