import { Body, Controller, Delete, Get, Param, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  HoldBlockRequest,
  HoldDecisionRequest,
  SessionHoldRequest,
  type HoldsView,
} from '@iron-clasp/contract';
import type { SignedIn } from '../accounts/accounts.repository.ts';
import { LifterMay, Who } from '../accounts/guard.ts';
import { Live } from '../floor/live.ts';
import { KnownId } from '../http/validation.ts';
import { HoldBlocksService } from './hold-blocks.service.ts';
import { HoldsService } from './holds.service.ts';

@ApiTags('holds')
@Controller()
export class HoldsController {
  constructor(
    private readonly holds: HoldsService,
    private readonly blocks: HoldBlocksService,
    private readonly live: Live,
  ) {}

  @LifterMay({ lifter: 'lifter' })
  @Get('lifters/:lifter/holds')
  @ApiOperation({
    summary: 'The lifter’s hold work over the weeks, what comes next, and the balance of the week',
  })
  view(@Who() who: SignedIn, @Param('lifter', new KnownId('lifter')) lifter: string): Promise<HoldsView> {
    return this.holds.view(who.club.id, lifter);
  }

  @Put('sessions/:session/hold')
  @ApiOperation({ summary: 'Put a kind of hold after a session’s lifts, or take it out' })
  async plan(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Body() body: SessionHoldRequest,
  ): Promise<HoldsView> {
    const lifter = await this.holds.plan(who.club.id, session, body.kind ?? null, body.version);
    this.live.tell({ sessionId: session, kind: 'changed' });
    return this.holds.view(who.club.id, lifter);
  }

  @Put('sessions/:session/hold-decisions/:id')
  @ApiOperation({ summary: 'Accept, change or skip a session’s hold, under a client-made id' })
  async decide(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('decision')) id: string,
    @Body() body: HoldDecisionRequest,
  ): Promise<HoldsView> {
    const lifter = await this.holds.decide(who.club.id, who.account.id, session, id, body);
    this.live.tell({ sessionId: session, kind: 'changed' });
    return this.holds.view(who.club.id, lifter);
  }

  @Delete('sessions/:session/hold-decisions/:id')
  @ApiOperation({ summary: 'Take a decision on a hold back; it stays on record' })
  async undo(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('decision')) id: string,
  ): Promise<HoldsView> {
    const lifter = await this.holds.undo(who.club.id, who.account.id, session, id);
    this.live.tell({ sessionId: session, kind: 'changed' });
    return this.holds.view(who.club.id, lifter);
  }

  @Put('lifters/:lifter/hold-blocks/:id')
  @ApiOperation({
    summary: 'Write a hold block, new or at the version its editor saw; its holds go into sessions',
  })
  async saveBlock(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('id', new KnownId('block')) id: string,
    @Body() body: HoldBlockRequest,
  ): Promise<HoldsView> {
    await this.blocks.save(who.club.id, who.account.id, lifter, id, body);
    return this.holds.view(who.club.id, lifter);
  }

  @Delete('hold-blocks/:id')
  @ApiOperation({ summary: 'Take a hold block off, with the holds it put into sessions not begun' })
  async removeBlock(@Who() who: SignedIn, @Param('id', new KnownId('block')) id: string): Promise<HoldsView> {
    const lifter = await this.blocks.remove(who.club.id, id);
    return this.holds.view(who.club.id, lifter);
  }
}
