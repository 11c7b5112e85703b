import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  Put,
  Req,
  Sse,
  type MessageEvent,
  UseGuards,
} from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  ClockRequest,
  FinishRequest,
  StandsRequest,
  type FloorView,
  type SessionEndView,
} from '@iron-clasp/contract';
import type { Request } from 'express';
import type { Observable } from 'rxjs';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { Unrecorded } from '../../platform/access/deeds.ts';
import { LifterMay, Who } from '../../platform/access/guard.ts';
import { TrainingService } from '../../records/training/training.service.ts';
import { Streams } from '../../platform/access/streams.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { FollowedSessions, sessionsOf } from './followed-sessions.ts';
import { FloorService } from './floor.service.ts';
import { Live } from './live.ts';

@ApiTags('floor')
@Controller()
export class FloorController {
  constructor(
    private readonly floor: FloorService,
    private readonly training: TrainingService,
    private readonly live: Live,
    private readonly streams: Streams,
  ) {}

  @LifterMay({ session: 'id' })
  @Get('sessions/:id/floor')
  @ApiOperation({ summary: 'A session with everything a floor needs to run it without a network' })
  session(@Who() who: SignedIn, @Param('id', new KnownId('session')) id: string): Promise<FloorView> {
    return this.floor.floor(who.club, id);
  }

  @Put('lifters/:lifter/audits/:id')
  @ApiOperation({ summary: 'Begin a grip audit today; under a client-made id; answers with its floor' })
  audit(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('id', new KnownId('session')) id: string,
  ): Promise<FloorView> {
    return this.floor.audit(who.club, lifter, id);
  }

  @LifterMay({ session: 'id' })
  @Get('sessions/:id/end')
  @ApiOperation({ summary: 'How a session went: against plan, slips with likely causes, what comes next' })
  end(@Who() who: SignedIn, @Param('id', new KnownId('session')) id: string): Promise<SessionEndView> {
    return this.floor.end(who.club, id);
  }

  @LifterMay({ session: 'id' })
  @Put('sessions/:id/end')
  @ApiOperation({ summary: 'End a session, with a note to the lifter' })
  async finish(
    @Who() who: SignedIn,
    @Param('id', new KnownId('session')) id: string,
    @Body() body: FinishRequest,
  ): Promise<SessionEndView> {
    const view = await this.floor.finish(who.club, id, body);
    await this.live.tell({ sessionId: id, kind: 'finished' });
    return view;
  }

  @LifterMay({ session: 'id' })
  @Delete('sessions/:id/end')
  @HttpCode(204)
  @ApiOperation({ summary: 'Open an ended session again' })
  async reopen(@Who() who: SignedIn, @Param('id', new KnownId('session')) id: string): Promise<void> {
    await this.floor.reopen(who.club, id);
    await this.live.tell({ sessionId: id, kind: 'changed' });
  }

  @LifterMay({ session: 'id' })
  @Unrecorded()
  @Put('sessions/:id/clock')
  @HttpCode(204)
  @ApiOperation({ summary: 'Tell those who follow the session what its hold clock does; nothing is stored' })
  async clock(
    @Who() who: SignedIn,
    @Param('id', new KnownId('session')) id: string,
    @Body() { state, seconds, target }: ClockRequest,
  ): Promise<void> {
    await this.training.known(who.club.id, id);
    await this.live.tell({ sessionId: id, kind: 'clock', clock: { state, seconds, target } });
  }

  @LifterMay({ session: 'id' })
  @Unrecorded()
  @Put('sessions/:id/stands')
  @HttpCode(204)
  @ApiOperation({
    summary: 'Tell those who follow the session which set and call it stands at; nothing is stored',
  })
  async stands(
    @Who() who: SignedIn,
    @Param('id', new KnownId('session')) id: string,
    @Body() { plannedSetId, load, line, choice, sideUnder }: StandsRequest,
  ): Promise<void> {
    await this.training.known(who.club.id, id);
    const stands = { plannedSetId, load, line, ...(choice && { choice }), ...(sideUnder && { sideUnder }) };
    await this.live.tell({ sessionId: id, kind: 'stands', stands });
  }

  @UseGuards(FollowedSessions)
  @Sse('live/:sessions')
  @ApiOperation({ summary: 'Follow up to six sessions, named with commas between: server-sent events' })
  follow(@Req() request: Request, @Param('sessions') sessions: string): Observable<MessageEvent> {
    return this.streams.follow(request, this.live.of(sessionsOf(sessions)));
  }
}
