import { Body, Controller, Get, Param, Patch, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  ArchiveRequest,
  LifterRequest,
  type ArchivedLifter,
  type ProfileView,
  type RackView,
  type SheetView,
} from '@iron-clasp/contract';
import type { SignedIn } from '../accounts/accounts.repository.ts';
import { Who } from '../accounts/guard.ts';
import { KnownId } from '../http/validation.ts';
import { LiftersService } from './lifters.service.ts';
import { ProfilesService } from './profiles.service.ts';

@ApiTags('lifters')
@Controller('lifters')
export class LiftersController {
  constructor(
    private readonly lifters: LiftersService,
    private readonly profiles: ProfilesService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'The rack: the club’s lifters by who needs attention' })
  rack(@Who() who: SignedIn): Promise<RackView> {
    return this.lifters.rack(who.club.id);
  }

  @Get('archived')
  @ApiOperation({ summary: 'The club’s lifters that were put aside' })
  archived(@Who() who: SignedIn): Promise<ArchivedLifter[]> {
    return this.profiles.archived(who.club.id);
  }

  @Get(':id/profile')
  @ApiOperation({ summary: 'One lifter with everything a coach may change, and what was changed' })
  profile(@Who() who: SignedIn, @Param('id', new KnownId('lifter')) id: string): Promise<ProfileView> {
    return this.profiles.profile(who.club.id, id);
  }

  @Put(':id')
  @ApiOperation({
    summary: 'Add a lifter under a client-made id, or change one at the version the editor saw',
  })
  save(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Body() body: LifterRequest,
  ): Promise<ProfileView> {
    return this.profiles.save(who.club.id, who.account.id, id, body);
  }

  @Patch(':id/archive')
  @ApiOperation({ summary: 'Put a lifter aside or take them back; nothing is deleted' })
  archive(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Body() body: ArchiveRequest,
  ): Promise<ProfileView> {
    return this.profiles.archive(who.club.id, who.account.id, id, body.archived, body.version);
  }

  @Get(':id/sheet')
  @ApiOperation({ summary: 'One lifter and the weeks around today' })
  sheet(@Who() who: SignedIn, @Param('id', new KnownId('lifter')) id: string): Promise<SheetView> {
    return this.lifters.sheet(who.club.id, id);
  }
}
