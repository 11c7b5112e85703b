import { Body, Controller, Delete, Get, Param, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { HOLD_KINDS, type HoldKindId } from '@iron-clasp/core';
import {
  ForearmDayRequest,
  HoldBlockRequest,
  HoldDecisionRequest,
  HoldSettingRequest,
  SessionHoldsRequest,
  type HoldsView,
} from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { LifterMay, Who } from '../../platform/access/guard.ts';
import { Live } from '../floor/live.ts';
import { KnownDay, KnownId, KnownWord } from '../../platform/http/validation.ts';
import { ForearmWorkService } from '../../advice/planning/forearm-work.service.ts';
import { PlanBlocksService } from '../../advice/holds/plan-blocks.service.ts';
import { SessionHoldPlansService } from '../../advice/holds/session-hold-plans.service.ts';
import { HoldsViewService } from './holds.service.ts';

@ApiTags('holds')
@Controller()
export class HoldsController {
  constructor(
    private readonly holds: HoldsViewService,
    private readonly plans: SessionHoldPlansService,
    private readonly blocks: PlanBlocksService,
    private readonly forearm: ForearmWorkService,
    private readonly live: Live,
  ) {}

  @LifterMay({ lifter: 'lifter' })
  @Get('lifters/:lifter/holds')
  @ApiOperation({
    summary: 'The lifter’s hold work over the weeks, what comes next, and the balance of the week',
  })
  view(@Who() who: SignedIn, @Param('lifter', new KnownId('lifter')) lifter: string): Promise<HoldsView> {
    return this.holds.view(who.club, lifter);
  }

  @Put('sessions/:session/holds')
  @ApiOperation({ summary: 'Say which kinds of hold follow a session’s lifts' })
  async plan(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Body() body: SessionHoldsRequest,
  ): Promise<HoldsView> {
    const lifter = await this.plans.plan(who.club, session, body.kinds, body.version);
    await this.live.tell({ sessionId: session, kind: 'changed' });
    return this.holds.view(who.club, lifter);
  }

  @Put('sessions/:session/hold-decisions/:id')
  @ApiOperation({ summary: 'Accept, change or skip a session’s hold; under a client-made id' })
  async decide(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('decision')) id: string,
    @Body() body: HoldDecisionRequest,
  ): Promise<HoldsView> {
    const lifter = await this.plans.decide(who.club, who.account.id, session, id, body);
    await this.live.tell({ sessionId: session, kind: 'changed' });
    return this.holds.view(who.club, lifter);
  }

  @Delete('sessions/:session/hold-decisions/:id')
  @ApiOperation({ summary: 'Take a decision on a hold back; it stays on record' })
  async undo(
    @Who() who: SignedIn,
    @Param('session', new KnownId('session')) session: string,
    @Param('id', new KnownId('decision')) id: string,
  ): Promise<HoldsView> {
    const lifter = await this.plans.undo(who.club, who.account.id, session, id);
    await this.live.tell({ sessionId: session, kind: 'changed' });
    return this.holds.view(who.club, lifter);
  }

  @Put('lifters/:lifter/hold-settings/:kind')
  @ApiOperation({
    summary: 'Say how one kind of hold is prescribed to a lifter: aim, effort, ceiling, target, pins',
  })
  async set(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('kind', new KnownWord(HOLD_KINDS, 'kind of hold')) kind: HoldKindId,
    @Body() body: HoldSettingRequest,
  ): Promise<HoldsView> {
    await this.plans.set(who.club, lifter, kind, body);
    return this.holds.view(who.club, lifter);
  }

  @Put('lifters/:lifter/forearm-days/:day')
  @ApiOperation({ summary: 'Write the forearm work that is proposed for a day into the program' })
  async takeForearm(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('day', new KnownDay()) day: string,
    @Body() { sessionId }: ForearmDayRequest,
  ): Promise<HoldsView> {
    await this.forearm.take(who.club, lifter, day, sessionId, who.account.unit);
    return this.holds.view(who.club, lifter);
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
    await this.blocks.save(who.club, who.account.id, lifter, id, body);
    return this.holds.view(who.club, lifter);
  }

  @Delete('hold-blocks/:id')
  @ApiOperation({ summary: 'Take a hold block off, with the holds it put into sessions not begun' })
  async removeBlock(@Who() who: SignedIn, @Param('id', new KnownId('block')) id: string): Promise<HoldsView> {
    const lifter = await this.blocks.remove(who.club, id);
    return this.holds.view(who.club, lifter);
  }
}
