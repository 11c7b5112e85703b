import { Controller, Get, Param } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { DayView, OwnDayView } from '@iron-clasp/contract';
import { LifterMay, Who } from '../../platform/access/guard.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { OwnDayService } from './own-day.service.ts';
import { TodayService } from './today.service.ts';

@ApiTags('today')
@Controller()
export class TodayController {
  constructor(
    private readonly today: TodayService,
    private readonly own: OwnDayService,
  ) {}

  @Get('today')
  @ApiOperation({ summary: 'Who trains today, what is to be decided, and the week ahead' })
  view(@Who() who: SignedIn): Promise<DayView> {
    return this.today.view(who.club);
  }

  @LifterMay({ lifter: 'lifter' })
  @Get('lifters/:lifter/day')
  @ApiOperation({ summary: 'One lifter’s day: the session, what is to be minded, and the week ahead' })
  ofLifter(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
  ): Promise<OwnDayView> {
    return this.own.view(who.club, lifter);
  }
}
