import { Body, Controller, Delete, Get, HttpCode, Param, Patch, Put, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  ArchiveRequest,
  HookStageRequest,
  LifterRequest,
  MeetRequest,
  type LifterChangesView,
  type ProfileView,
} from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { Who } from '../../platform/access/guard.ts';
import { Clock } from '../../platform/clock/clock.ts';
import { oneWord } from '../../platform/http/paging.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { LiftersService } from '../../records/lifters/lifters.service.ts';
import { MeetsService } from '../../records/meets/meets.service.ts';
import { ProfilesService } from '../../advice/profiles/profiles.service.ts';
import { ProfileViewService } from './profile.service.ts';

@ApiTags('profile')
@Controller('lifters')
export class ProfileController {
  constructor(
    private readonly view: ProfileViewService,
    private readonly profiles: ProfilesService,
    private readonly lifters: LiftersService,
    private readonly meets: MeetsService,
    private readonly clock: Clock,
  ) {}

  @Get(':id/changes')
  @ApiOperation({ summary: 'What was changed about a lifter, the latest first, a page at a time' })
  changes(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Query('before') before?: string,
  ): Promise<LifterChangesView> {
    return this.view.changes(who.club, id, oneWord(before));
  }

  @Put(':id/meets/:meet')
  @ApiOperation({ summary: 'Write a meet with its rules and attempts, or change one at the version seen' })
  async saveMeet(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Param('meet', new KnownId('meet')) meet: string,
    @Body() body: MeetRequest,
  ): Promise<ProfileView> {
    await this.lifters.known(who.club.id, id);
    const { version, place = '', barDiameter = null, events = [], ...content } = body;
    const own = events.map(({ liftId, straps, barDiameter: bar = null }) => ({
      liftId,
      straps,
      barDiameter: bar,
    }));
    await this.meets.save(who.club.id, id, meet, version, {
      ...{ ...content, place, barDiameter, events: own },
    });
    return this.view.view(who.club, id);
  }

  @Delete(':id/meets/:meet')
  @ApiOperation({ summary: 'Take a meet off' })
  async removeMeet(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Param('meet', new KnownId('meet')) meet: string,
  ): Promise<ProfileView> {
    await this.lifters.known(who.club.id, id);
    await this.meets.remove(who.club.id, id, meet, this.clock.now());
    return this.view.view(who.club, id);
  }

  @Get(':id/profile')
  @ApiOperation({ summary: 'One lifter with everything a coach may change, and what was changed' })
  profile(@Who() who: SignedIn, @Param('id', new KnownId('lifter')) id: string): Promise<ProfileView> {
    return this.view.view(who.club, id);
  }

  @Put(':id')
  @ApiOperation({
    summary: 'Add a lifter, or change one; under a client-made id, at the version the editor saw',
  })
  async save(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Body() body: LifterRequest,
  ): Promise<ProfileView> {
    await this.profiles.save(who.club, who.account.id, id, body);
    return this.view.view(who.club, id);
  }

  @Patch(':id/archive')
  @ApiOperation({ summary: 'Archive a lifter or take them back; nothing is deleted' })
  async archive(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Body() body: ArchiveRequest,
  ): Promise<ProfileView> {
    await this.profiles.archive(who.club, who.account.id, id, body.archived, body.version);
    return this.view.view(who.club, id);
  }

  @Patch(':id/hook-stage')
  @HttpCode(204)
  @ApiOperation({ summary: 'Move a lifter’s hook from the stage that was seen to another' })
  async moveHook(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Body() body: HookStageRequest,
  ): Promise<void> {
    await this.profiles.moveHook(who.club, who.account.id, id, body);
  }
}
