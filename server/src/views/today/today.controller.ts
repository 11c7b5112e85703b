import { Controller, Get } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { DayView } from '@iron-clasp/contract';
import { Who } from '../../platform/access/guard.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { TodayService } from './today.service.ts';

@ApiTags('today')
@Controller('today')
export class TodayController {
  constructor(private readonly today: TodayService) {}

  @Get()
  @ApiOperation({ summary: 'Who trains today, what is to be decided, and the week ahead' })
  view(@Who() who: SignedIn): Promise<DayView> {
    return this.today.view(who.club);
  }
}
