import { Body, Controller, Delete, Get, HttpCode, Param, Patch, Put, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import {
  ArchiveRequest,
  LifterRequest,
  MeetRequest,
  type ArchivedView,
  type LifterChangesView,
  type ProfileView,
  type RackView,
  type SheetView,
  type TodayView,
} from '@iron-clasp/contract';
import type { SignedIn } from '../accounts/accounts.repository.ts';
import { LifterMay, Who } from '../accounts/guard.ts';
import { oneWord } from '../http/paging.ts';
import { KnownId } from '../http/validation.ts';
import { LifterExports, type LifterExport } from './lifter-exports.ts';
import { LiftersService } from './lifters.service.ts';
import { ProfilesService } from './profiles.service.ts';

@ApiTags('lifters')
@Controller('lifters')
export class LiftersController {
  constructor(
    private readonly lifters: LiftersService,
    private readonly profiles: ProfilesService,
    private readonly exports: LifterExports,
  ) {}

  @Get()
  @ApiOperation({ summary: 'The rack: the club’s lifters by who needs attention' })
  rack(
    @Who() who: SignedIn,
    @Query('find') find?: string,
    @Query('after') after?: string,
  ): Promise<RackView> {
    return this.lifters.rack(who.club.id, oneWord(find) ?? '', oneWord(after) ?? null);
  }

  @Get('today')
  @ApiOperation({ summary: 'Everybody who trains today' })
  today(@Who() who: SignedIn): Promise<TodayView> {
    return this.lifters.today(who.club.id);
  }

  @Get('archived')
  @ApiOperation({ summary: 'The club’s lifters that were put aside' })
  archived(@Who() who: SignedIn, @Query('after') after?: string): Promise<ArchivedView> {
    return this.profiles.archived(who.club.id, oneWord(after));
  }

  @Get(':id/changes')
  @ApiOperation({ summary: 'What was changed about a lifter, the latest first, a page at a time' })
  changes(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Query('before') before?: string,
  ): Promise<LifterChangesView> {
    return this.profiles.changes(who.club.id, id, oneWord(before));
  }

  @Put(':id/meets/:meet')
  @ApiOperation({ summary: 'Write a meet with its rules and attempts, or change one at the version seen' })
  saveMeet(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Param('meet', new KnownId('meet')) meet: string,
    @Body() body: MeetRequest,
  ): Promise<ProfileView> {
    return this.profiles.saveMeet(who.club.id, id, meet, body);
  }

  @Delete(':id/meets/:meet')
  @ApiOperation({ summary: 'Take a meet off' })
  removeMeet(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Param('meet', new KnownId('meet')) meet: string,
  ): Promise<ProfileView> {
    return this.profiles.removeMeet(who.club.id, id, meet);
  }

  @Get(':id/export')
  @ApiOperation({
    summary: 'Everything that is kept about a lifter, as JSON, with the receipt that deleting asks for',
  })
  export(@Who() who: SignedIn, @Param('id', new KnownId('lifter')) id: string): Promise<LifterExport> {
    return this.exports.of(who.club.id, id);
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Delete a lifter put aside, with the receipt of an export of all there is' })
  remove(
    @Who() who: SignedIn,
    @Param('id', new KnownId('lifter')) id: string,
    @Query('receipt') receipt?: string,
  ): Promise<void> {
    return this.exports.remove(who.club.id, id, oneWord(receipt));
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

  @LifterMay({ lifter: 'id' })
  @Get(':id/sheet')
  @ApiOperation({ summary: 'One lifter and the weeks around today' })
  sheet(@Who() who: SignedIn, @Param('id', new KnownId('lifter')) id: string): Promise<SheetView> {
    return this.lifters.sheet(who.club.id, id);
  }
}
