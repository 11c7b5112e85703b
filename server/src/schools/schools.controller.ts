import { Body, Controller, Get, Param, Patch, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { ArchiveRequest, SchoolRequest, type ClubSchoolView, type SchoolsView } from '@iron-clasp/contract';
import type { SignedIn } from '../accounts/accounts.repository.ts';
import { Who } from '../accounts/guard.ts';
import { KnownId } from '../http/validation.ts';
import { SchoolsService } from './schools.service.ts';

@ApiTags('schools')
@Controller('schools')
export class SchoolsController {
  constructor(private readonly schools: SchoolsService) {}

  @Get()
  @ApiOperation({ summary: 'The club’s own copies of schools' })
  all(@Who() who: SignedIn): Promise<ClubSchoolView[]> {
    return this.schools.all(who.club.id);
  }

  @Get('evidence')
  @ApiOperation({ summary: 'The copies, and what the club’s own logs say where schools disagree' })
  evidence(@Who() who: SignedIn): Promise<SchoolsView> {
    return this.schools.withEvidence(who.club.id);
  }

  @Put(':id')
  @ApiOperation({ summary: 'Copy a school under a client-made id, or change a copy at the version seen' })
  save(
    @Who() who: SignedIn,
    @Param('id', new KnownId('school')) id: string,
    @Body() body: SchoolRequest,
  ): Promise<ClubSchoolView> {
    return this.schools.save(who.club.id, who.account.id, id, body);
  }

  @Patch(':id/archive')
  @ApiOperation({ summary: 'Put a copy aside or take it back; refused while lifters follow it' })
  archive(
    @Who() who: SignedIn,
    @Param('id', new KnownId('school')) id: string,
    @Body() body: ArchiveRequest,
  ): Promise<ClubSchoolView> {
    return this.schools.archive(who.club.id, id, body.archived, body.version);
  }
}
