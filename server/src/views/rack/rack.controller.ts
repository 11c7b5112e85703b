import { Controller, Get, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { ArchivedView, RackView, TodayView } from '@iron-clasp/contract';
import { Who } from '../../platform/access/guard.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { oneWord } from '../../platform/http/paging.ts';
import { RackService } from './rack.service.ts';

@ApiTags('rack')
@Controller('lifters')
export class RackController {
  constructor(private readonly rack: RackService) {}

  @Get()
  @ApiOperation({ summary: 'The rack: the club’s lifters by who needs attention' })
  page(
    @Who() who: SignedIn,
    @Query('find') find?: string,
    @Query('after') after?: string,
  ): Promise<RackView> {
    return this.rack.rack(who.club, oneWord(find) ?? '', oneWord(after) ?? null);
  }

  @Get('today')
  @ApiOperation({ summary: 'Everybody who trains today' })
  today(@Who() who: SignedIn): Promise<TodayView> {
    return this.rack.today(who.club);
  }

  @Get('archived')
  @ApiOperation({ summary: 'The club’s archived lifters' })
  archived(@Who() who: SignedIn, @Query('after') after?: string): Promise<ArchivedView> {
    return this.rack.archived(who.club, oneWord(after));
  }
}
