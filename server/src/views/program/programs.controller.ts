import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  MoveWeekRequest,
  RepeatWeekRequest,
  SessionPreviewRequest,
  SessionRequest,
  type ProgramMarksView,
  type ProgramView,
  type SessionPlanView,
  type SessionPreviewView,
  type VenueChoice,
  type WeeksView,
} from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { Unrecorded } from '../../platform/access/deeds.ts';
import { Asking, Who } from '../../platform/access/guard.ts';
import { KnownDay, KnownId, QueriedVersion } from '../../platform/http/validation.ts';
import { KitService } from '../../records/kit/kit.service.ts';
import { LinePreviewsService } from '../../advice/calls/line-previews.service.ts';
import { WeekMarksService } from '../../advice/calls/week-marks.service.ts';
import { ProgramWeeksService } from '../../advice/planning/program-weeks.service.ts';
import { ProgramsService } from '../../advice/planning/programs.service.ts';

@ApiTags('programs')
@Controller()
export class ProgramsController {
  constructor(
    private readonly programs: ProgramsService,
    private readonly program: ProgramWeeksService,
    private readonly previews: LinePreviewsService,
    private readonly marks: WeekMarksService,
    private readonly kit: KitService,
  ) {}

  @Get('venues')
  @ApiOperation({ summary: 'The club’s venues with what they can load, the busiest first' })
  async venues(@Who() who: SignedIn): Promise<VenueChoice[]> {
    return (await this.kit.usable(who.club.id)).map(({ venue, kit }) => ({
      id: venue.id,
      name: venue.name,
      bars: kit.bars.map(({ id, name, mass, collars }) => ({ id, name, mass, collars })),
      plates: kit.plates,
      has: kit.has,
    }));
  }

  @Get('sessions/:id/plan')
  @ApiOperation({ summary: 'A session as it is written' })
  plan(@Who() who: SignedIn, @Param('id', new KnownId('session')) id: string): Promise<SessionPlanView> {
    return this.programs.plan(who.club, id, who.account.unit);
  }

  @Asking()
  @Unrecorded()
  @Post('lifters/:lifter/session-preview')
  @HttpCode(200)
  @ApiOperation({ summary: 'Call lines that are being written; nothing is saved' })
  preview(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Body() body: SessionPreviewRequest,
  ): Promise<SessionPreviewView> {
    return this.previews.preview(who.club, lifter, body, who.account.unit);
  }

  @Put('lifters/:lifter/sessions/:id')
  @ApiOperation({
    summary: 'Write a session, or change one; under a client-made id, at the version its editor saw',
  })
  save(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('id', new KnownId('session')) id: string,
    @Body() body: SessionRequest,
  ): Promise<SessionPlanView> {
    return this.programs.save(who.club, lifter, id, body, who.account.unit);
  }

  @Delete('sessions/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take a session off the program; it can be taken back' })
  remove(
    @Who() who: SignedIn,
    @Param('id', new KnownId('session')) id: string,
    @Query('version', new QueriedVersion()) version: number,
  ): Promise<void> {
    return this.programs.remove(who.club, id, version);
  }

  @Put('sessions/:id/restored')
  @ApiOperation({ summary: 'Take a removed session back' })
  restore(@Who() who: SignedIn, @Param('id', new KnownId('session')) id: string): Promise<SessionPlanView> {
    return this.programs.restore(who.club, id, who.account.unit);
  }

  @Get('lifters/:lifter/weeks/:day')
  @ApiOperation({ summary: 'Four weeks of the program, from that of a day on' })
  weeks(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('day', new KnownDay()) day: string,
  ): Promise<ProgramView> {
    return this.program.view(who.club, lifter, day, who.account.unit);
  }

  @Get('lifters/:lifter/weeks/:day/marks')
  @ApiOperation({ summary: 'The grips that the sessions of a week are called with' })
  grips(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('day', new KnownDay()) day: string,
  ): Promise<ProgramMarksView> {
    return this.marks.ofWeek(who.club, lifter, day);
  }

  @Post('lifters/:lifter/weeks/:day/repeat')
  @HttpCode(200)
  @ApiOperation({ summary: 'Write a week into those that follow it; repeated, it changes nothing' })
  repeat(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('day', new KnownDay()) day: string,
    @Body() body: RepeatWeekRequest,
  ): Promise<WeeksView> {
    return this.programs.repeatWeek(who.club, lifter, day, body.weeks);
  }

  @Post('lifters/:lifter/weeks/:day/move')
  @HttpCode(200)
  @ApiOperation({ summary: 'Move a week to one that is free' })
  moveWeek(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('day', new KnownDay()) day: string,
    @Body() body: MoveWeekRequest,
  ): Promise<WeeksView> {
    return this.programs.moveWeek(who.club, lifter, day, body.to);
  }

  @Delete('lifters/:lifter/weeks/:day')
  @ApiOperation({ summary: 'Take what is not begun of a week off the program' })
  clearWeek(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('day', new KnownDay()) day: string,
  ): Promise<WeeksView> {
    return this.programs.clearWeek(who.club, lifter, day);
  }
}
