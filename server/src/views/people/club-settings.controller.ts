import { Body, Controller, Get, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { ClubRequest, type ClubSettingsView } from '@iron-clasp/contract';
import { OwnersOnly, Who } from '../../platform/access/guard.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { ClubsService } from '../../records/clubs/clubs.service.ts';

@ApiTags('club')
@OwnersOnly()
@Controller('club/settings')
export class ClubSettingsController {
  constructor(private readonly clubs: ClubsService) {}

  @Get()
  @ApiOperation({ summary: 'Name, time zone, unit and week of the club' })
  settings(@Who() who: SignedIn): Promise<ClubSettingsView> {
    return this.clubs.byId(who.club.id);
  }

  @Put()
  @ApiOperation({ summary: 'Change the club’s settings at the version seen' })
  async save(@Who() who: SignedIn, @Body() body: ClubRequest): Promise<ClubSettingsView> {
    await this.clubs.save(who.club.id, body);
    return this.clubs.byId(who.club.id);
  }
}
