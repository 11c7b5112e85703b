import { Body, Controller, Delete, Get, HttpCode, Param, Put, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { GRIP_CHOICES, type GripChoice } from '@iron-clasp/core';
import {
  CorrectionRequest,
  ExtraSetRequest,
  LogHoldRequest,
  LogSetRequest,
  type CallsView,
  type LogView,
  type MistakesView,
} from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { LifterMay, Who } from '../../platform/access/guard.ts';
import { MistakesService } from '../../evidence/mistakes/mistakes.service.ts';
import { AuditsService } from '../../advice/audits/audits.service.ts';
import { LoggingService } from '../../advice/logging/logging.service.ts';
import { CallsViewService } from '../calls/calls-view.service.ts';
import { Live } from '../floor/live.ts';
import { oneWord } from '../../platform/http/paging.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { LogViewService } from './log.service.ts';
import { loggedElsewhere } from './logged-elsewhere.ts';

@ApiTags('log')
@Controller()
export class LogController {
  constructor(
    private readonly logging: LoggingService,
    private readonly log: LogViewService,
    private readonly calls: CallsViewService,
    private readonly audits: AuditsService,
    private readonly live: Live,
    private readonly mistakes: MistakesService,
  ) {}

  @LifterMay({ lifter: 'lifter' })
  @Get('lifters/:lifter/mistakes')
  @ApiOperation({ summary: 'The usual mistakes that the log of the last four weeks shows' })
  async mistakesOf(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
  ): Promise<MistakesView> {
    return { mistakes: await this.mistakes.of(who.club, lifter) };
  }

  @LifterMay({ session: 'session' })
  @Put('sessions/:session/holds/:id')
  @ApiOperation({ summary: 'Log a hold; under a client-made id; answers with the session called again' })
  async hold(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('log entry')) id: string,
    @Body() body: LogHoldRequest,
  ): Promise<CallsView> {
    await this.logging.keepHold(who.club, who.account.id, session, id, body);
    await this.live.tell({ sessionId: session, kind: 'changed' });
    return this.calls.session(who.club, session);
  }

  @LifterMay({ session: 'session' })
  @Put('sessions/:session/sets/:id')
  @ApiOperation({ summary: 'Log a set; under a client-made id; answers with the session called again' })
  async set(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('log entry')) id: string,
    @Body() body: LogSetRequest,
  ): Promise<CallsView> {
    await this.logging.keepSet(who.club, who.account.id, session, id, body).catch(loggedElsewhere);
    await this.audits.goOn(who.club, session);
    await this.live.tell({ sessionId: session, kind: 'changed' });
    return this.calls.session(who.club, session);
  }

  @LifterMay({ session: 'session' })
  @Put('sessions/:session/extra-sets/:id')
  @ApiOperation({ summary: 'Add a set to a session under way; under a client-made id' })
  async addSet(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('set')) id: string,
    @Body() body: ExtraSetRequest,
  ): Promise<CallsView> {
    await this.logging.addSet(who.club, session, id, body);
    await this.live.tell({ sessionId: session, kind: 'changed' });
    return this.calls.session(who.club, session);
  }

  @LifterMay({ hold: 'id' })
  @Delete('holds/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Undo a logged hold; it is hidden, not lost' })
  async undoHold(@Who() who: SignedIn, @Param('id', new KnownId('log entry')) id: string): Promise<void> {
    const sessionId = await this.logging.undo('hold', who.club, who.account.id, id);
    await this.live.tell({ sessionId, kind: 'changed' });
  }

  @LifterMay({ set: 'id' })
  @Delete('sets/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Undo a logged set; it is hidden, not lost' })
  async undoSet(@Who() who: SignedIn, @Param('id', new KnownId('log entry')) id: string): Promise<void> {
    const sessionId = await this.logging.undo('set', who.club, who.account.id, id);
    await this.live.tell({ sessionId, kind: 'changed' });
  }

  @LifterMay({ set: 'entry' })
  @Put('sets/:entry/corrections/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Put a logged set right; the first value is kept' })
  correctSet(
    @Who() who: SignedIn,
    @Param('entry', new KnownId('log entry')) entry: string,
    @Param('id', new KnownId('correction')) id: string,
    @Body() body: CorrectionRequest,
  ): Promise<void> {
    return this.logging.correct('set', who.club, who.account.id, entry, id, body);
  }

  @LifterMay({ hold: 'entry' })
  @Put('holds/:entry/corrections/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Put a logged hold right; the first value is kept' })
  correctHold(
    @Who() who: SignedIn,
    @Param('entry', new KnownId('log entry')) entry: string,
    @Param('id', new KnownId('correction')) id: string,
    @Body() body: CorrectionRequest,
  ): Promise<void> {
    return this.logging.correct('hold', who.club, who.account.id, entry, id, body);
  }

  @LifterMay({ lifter: 'lifter' })
  @Get('lifters/:lifter/log')
  @ApiOperation({ summary: 'The lifter’s log, the latest first, a page at a time, filtered' })
  page(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Query() query: Record<string, unknown>,
  ): Promise<LogView> {
    const lift = oneWord(query['lift']);
    const grip = GRIP_CHOICES.find((each): each is GripChoice => each === query['grip']);
    const kind = (['set', 'hold'] as const).find((each) => each === query['kind']);
    const filter = {
      ...(lift && { liftId: lift }),
      ...(grip && { grip }),
      ...(kind && { kind }),
      slipped: query['slipped'] === 'yes',
      undone: query['undone'] === 'yes',
    };
    return this.log.page(who.club, lifter, filter, oneWord(query['before']));
  }
}
