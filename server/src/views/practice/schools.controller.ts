import { Body, Controller, Get, Param, Patch, Put, UseGuards } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { ArchiveRequest, SchoolRequest, type ClubSchoolView, type SchoolsView } from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { Who } from '../../platform/access/guard.ts';
import { HeavyReads } from '../../platform/access/heavy-reads.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { PointEvidenceService } from '../../evidence/club/point-evidence.service.ts';
import { ClubSchoolsService } from '../../advice/schools/club-schools.service.ts';

@ApiTags('schools')
@Controller('schools')
export class SchoolsController {
  constructor(
    private readonly schools: ClubSchoolsService,
    private readonly points: PointEvidenceService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'The club’s own copies of schools' })
  all(@Who() who: SignedIn): Promise<ClubSchoolView[]> {
    return this.schools.all(who.club);
  }

  @UseGuards(HeavyReads)
  @Get('evidence')
  @ApiOperation({ summary: 'The copies, and what the club’s own logs say where schools disagree' })
  async evidence(@Who() who: SignedIn): Promise<SchoolsView> {
    const [own, evidence] = await Promise.all([this.schools.all(who.club), this.points.all(who.club)]);
    return { own, evidence };
  }

  @Put(':id')
  @ApiOperation({ summary: 'Copy a school or change a copy; under a client-made id, at the version seen' })
  save(
    @Who() who: SignedIn,
    @Param('id', new KnownId('school')) id: string,
    @Body() body: SchoolRequest,
  ): Promise<ClubSchoolView> {
    return this.schools.save(who.club, who.account.id, id, body);
  }

  @Patch(':id/archive')
  @ApiOperation({ summary: 'Archive a copy or take it back; refused while lifters follow it' })
  archive(
    @Who() who: SignedIn,
    @Param('id', new KnownId('school')) id: string,
    @Body() body: ArchiveRequest,
  ): Promise<ClubSchoolView> {
    return this.schools.archive(who.club, id, body.archived, body.version);
  }
}
