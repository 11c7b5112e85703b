import { Controller, Get, Req, Sse, UseGuards, type MessageEvent } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { BlockEffectView, ClubBackTestView, ClubView } from '@iron-clasp/contract';
import type { Request } from 'express';
import type { Observable } from 'rxjs';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { Who } from '../../platform/access/guard.ts';
import { HeavyReads } from '../../platform/access/heavy-reads.ts';
import { Streams } from '../../platform/access/streams.ts';
import { ClubCurvesService } from './club-curves.service.ts';
import { ClubService } from './club.service.ts';

@ApiTags('club')
@Controller('club')
export class ClubController {
  constructor(
    private readonly club: ClubService,
    private readonly clubCurves: ClubCurvesService,
    private readonly streams: Streams,
  ) {}

  @UseGuards(HeavyReads)
  @Get('attention')
  @ApiOperation({ summary: 'Who needs attention and why, over all lifters' })
  attention(@Who() who: SignedIn): Promise<ClubView> {
    return this.club.view(who.club);
  }

  @UseGuards(HeavyReads)
  @Sse('curves')
  @ApiOperation({ summary: 'Fits every lifter’s curve over all weeks, telling each as it is done' })
  curves(@Who() who: SignedIn, @Req() request: Request): Observable<MessageEvent> {
    return this.streams.follow(request, this.clubCurves.all(who.club));
  }

  @UseGuards(HeavyReads)
  @Get('back-test')
  @ApiOperation({ summary: 'What the curves said beforehand against what happened, over all lifters' })
  backTest(@Who() who: SignedIn): Promise<ClubBackTestView> {
    return this.clubCurves.backTest(who.club);
  }

  @UseGuards(HeavyReads)
  @Get('block-effect')
  @ApiOperation({ summary: 'What hold blocks did to the hands of the club’s lifters' })
  blockEffect(@Who() who: SignedIn): Promise<BlockEffectView> {
    return this.clubCurves.blockEffect(who.club);
  }
}
