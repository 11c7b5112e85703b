import { Body, Controller, Delete, HttpCode, Param, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { LogHoldRequest, LogSetRequest, type CallsView } from '@iron-clasp/contract';
import type { SignedIn } from '../accounts/accounts.repository.ts';
import { Who } from '../accounts/guard.ts';
import { CallsService } from '../calls/calls.service.ts';
import { KnownId } from '../http/validation.ts';
import { LogService } from './log.service.ts';

@ApiTags('log')
@Controller()
export class LogController {
  constructor(
    private readonly log: LogService,
    private readonly calls: CallsService,
  ) {}

  @Put('sessions/:session/holds/:id')
  @ApiOperation({ summary: 'Log a hold under a client-made id; answers with the session called again' })
  async hold(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('log entry')) id: string,
    @Body() body: LogHoldRequest,
  ): Promise<CallsView> {
    await this.log.keepHold(who.club.id, session, id, body);
    return this.calls.session(who.club.id, session);
  }

  @Put('sessions/:session/sets/:id')
  @ApiOperation({ summary: 'Log a set under a client-made id; answers with the session called again' })
  async set(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('log entry')) id: string,
    @Body() body: LogSetRequest,
  ): Promise<CallsView> {
    await this.log.keepSet(who.club.id, session, id, body);
    return this.calls.session(who.club.id, session);
  }

  @Delete('holds/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Undo a logged hold; it is hidden, not lost' })
  undoHold(@Who() who: SignedIn, @Param('id', new KnownId('log entry')) id: string): Promise<void> {
    return this.log.undo('logged_hold', who.club.id, id);
  }

  @Delete('sets/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Undo a logged set; it is hidden, not lost' })
  undoSet(@Who() who: SignedIn, @Param('id', new KnownId('log entry')) id: string): Promise<void> {
    return this.log.undo('logged_set', who.club.id, id);
  }
}
