import { Body, Controller, Delete, Get, HttpCode, Param, ParseIntPipe, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  EasingRequest,
  SqueezeProtocolRequest,
  SqueezeTestRequest,
  type SqueezeProtocolView,
  type SqueezeView,
  type TraceView,
} from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { LifterMay, Who } from '../../platform/access/guard.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { SqueezeService } from '../../records/squeeze/squeeze.service.ts';
import { SqueezeKeeper } from '../../advice/squeeze/squeeze-keeper.ts';
import { protocolView, SqueezeViewService } from './squeeze.service.ts';

@ApiTags('squeeze')
@Controller()
export class SqueezeController {
  constructor(
    private readonly views: SqueezeViewService,
    private readonly keeper: SqueezeKeeper,
    private readonly squeezes: SqueezeService,
  ) {}

  @LifterMay({ lifter: 'lifter' })
  @Get('lifters/:lifter/squeeze')
  @ApiOperation({ summary: 'The lifter’s squeeze tests, and what the latest says' })
  view(@Who() who: SignedIn, @Param('lifter', new KnownId('lifter')) lifter: string): Promise<SqueezeView> {
    return this.views.view(who.club, lifter);
  }

  @LifterMay({ lifter: 'lifter' })
  @Put('lifters/:lifter/squeeze-tests/:id')
  @ApiOperation({ summary: 'Keep a squeeze test; under a client-made id; answers with all tests read anew' })
  async keep(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('id', new KnownId('test')) id: string,
    @Body() body: SqueezeTestRequest,
  ): Promise<SqueezeView> {
    await this.keeper.keep(who.club, who.account.id, lifter, id, body);
    return this.views.view(who.club, lifter);
  }

  @LifterMay({ test: 'id' })
  @Delete('squeeze-tests/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Undo a squeeze test; it is hidden, not lost' })
  undo(@Who() who: SignedIn, @Param('id', new KnownId('test')) id: string): Promise<void> {
    return this.keeper.undo(who.club, id);
  }

  @Put('squeeze-tests/:id/easing')
  @HttpCode(204)
  @ApiOperation({ summary: 'Decline the easier holds that a test proposes, or take that back' })
  decline(
    @Who() who: SignedIn,
    @Param('id', new KnownId('test')) id: string,
    @Body() body: EasingRequest,
  ): Promise<void> {
    return this.squeezes.decline(who.club.id, id, body.declined ? who.account.id : null);
  }

  @LifterMay({ test: 'id' })
  @Get('squeeze-tests/:id/traces/:place')
  @ApiOperation({ summary: 'The samples of one trial, times s and forces kgf' })
  trace(
    @Who() who: SignedIn,
    @Param('id', new KnownId('test')) id: string,
    @Param('place', ParseIntPipe) place: number,
  ): Promise<TraceView> {
    return this.views.trace(who.club, id, place);
  }

  @Get('squeeze-protocols')
  @ApiOperation({ summary: 'Protocols that a squeeze test can be taken by' })
  protocols(@Who() who: SignedIn): Promise<SqueezeProtocolView[]> {
    return this.views.protocols(who.club.id);
  }

  @Put('squeeze-protocols/:id')
  @ApiOperation({ summary: 'Write a protocol of the club, new or at the version its editor saw' })
  async saveProtocol(
    @Who() who: SignedIn,
    @Param('id', new KnownId('protocol')) id: string,
    @Body() body: SqueezeProtocolRequest,
  ): Promise<SqueezeProtocolView> {
    return protocolView(await this.keeper.saveProtocol(who.club, id, body));
  }
}
