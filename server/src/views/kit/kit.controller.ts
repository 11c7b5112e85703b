import { Body, Controller, Delete, Get, Param, Patch, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  ArchiveRequest,
  BrushingRequest,
  VenueRequest,
  type KitView,
  type VenueView,
} from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { Logging, Who } from '../../platform/access/guard.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { KitViewService } from './kit.service.ts';

@ApiTags('kit')
@Controller()
export class KitController {
  constructor(private readonly kit: KitViewService) {}

  @Get('kit')
  @ApiOperation({
    summary: 'Everything that stands at the club’s venues, and which bars are due for brushing',
  })
  all(@Who() who: SignedIn): Promise<KitView> {
    return this.kit.all(who.club);
  }

  @Put('venues/:id')
  @ApiOperation({
    summary: 'Write a venue with its kit, or change one; under a client-made id, at the version seen',
  })
  save(
    @Who() who: SignedIn,
    @Param('id', new KnownId('venue')) id: string,
    @Body() body: VenueRequest,
  ): Promise<VenueView> {
    return this.kit.save(who.club, id, body);
  }

  @Patch('venues/:id/archive')
  @ApiOperation({ summary: 'Archive a venue or take it back; refused while sessions are ahead there' })
  archive(
    @Who() who: SignedIn,
    @Param('id', new KnownId('venue')) id: string,
    @Body() body: ArchiveRequest,
  ): Promise<VenueView> {
    return this.kit.archive(who.club, id, body.archived, body.version);
  }

  @Logging()
  @Put('bars/:bar/brushings/:id')
  @ApiOperation({ summary: 'Keep that a bar was brushed; under a client-made id' })
  brush(
    @Who() who: SignedIn,
    @Param('bar', new KnownId('bar')) bar: string,
    @Param('id', new KnownId('brushing')) id: string,
    @Body() body: BrushingRequest,
  ): Promise<KitView> {
    return this.kit.brush(who.club, who.account.id, bar, id, body);
  }

  @Logging()
  @Delete('bars/:bar/brushings/:id')
  @ApiOperation({ summary: 'Take back that a bar was brushed' })
  unbrush(
    @Who() who: SignedIn,
    @Param('bar', new KnownId('bar')) bar: string,
    @Param('id', new KnownId('brushing')) id: string,
  ): Promise<KitView> {
    return this.kit.unbrush(who.club, bar, id);
  }
}
